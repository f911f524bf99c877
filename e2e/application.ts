import { randomUUID } from 'node:crypto';
import { connect } from '@bogen/server/connect';
import { sql } from 'kysely';
import { buildServer, buildWeb } from '../scripts/build.mjs';
import { freePort, startThrowAwayCluster } from '../scripts/cluster.mjs';
import { ensurePostgres } from '../scripts/packages.mjs';
import { startServer } from '../scripts/server.mjs';

type ServerProcess = Awaited<ReturnType<typeof startServer>>;

/** A PostgreSQL cluster that is thrown away, and can be stopped and started before. */
export type Cluster = Awaited<ReturnType<typeof startThrowAwayCluster>>;

export const startCluster = async (): Promise<Cluster> => startThrowAwayCluster(await ensurePostgres());

/** Builds what the tests drive, as `npm run build` does, if it has changed. */
export async function build(): Promise<void> {
  await buildWeb('quick');
  await buildServer();
}

/** The address of a database of a cluster. */
const databaseOf = (clusterUrl: string, name: string): string => clusterUrl.replace(/\/\w+$/, `/${name}`);

/** Makes a database, empty or as a copy of one that nobody uses. */
export async function createDatabase(clusterUrl: string, name: string, template?: string): Promise<string> {
  const admin = connect(clusterUrl);
  const copy = template ? sql` template ${sql.id(template)}` : sql``;
  await sql`create database ${sql.id(name)}${copy}`.execute(admin);
  await admin.destroy();
  return databaseOf(clusterUrl, name);
}

/** The database with the demo course that every worker gets a copy of: loading the course takes seconds, copying it a moment. */
const demoTemplate = 'demo_template';

/** Has a server migrate a new database and load the demo course into it, and leaves the database to be copied. */
export async function makeDemoTemplate(clusterUrl: string): Promise<void> {
  const url = await createDatabase(clusterUrl, demoTemplate);
  const port = await freePort();
  const server = await startServer({ url, port, demo: true, program: 'built' });
  await server.stop();
}

/** A server process on a database, which can be killed and started again at the same address. */
export class Application {
  private process: ServerProcess | undefined;
  private constructor(
    /** Where a browser finds it. */
    readonly url: string,
    private readonly port: number,
    readonly databaseUrl: string,
    private readonly program: 'built' | 'source',
  ) {}

  /** A server on a new copy of the demo database, as it was built or, as `npm start` has it, from its sources. */
  static async begin(clusterUrl: string, program: 'built' | 'source' = 'built'): Promise<Application> {
    const name = `worker_${randomUUID().replaceAll('-', '')}`;
    const databaseUrl = await createDatabase(clusterUrl, name, demoTemplate);
    const port = await freePort();
    const application = new Application(`http://localhost:${port}`, port, databaseUrl, program);
    await application.startServer();
    return application;
  }

  async startServer(): Promise<void> {
    this.process = await startServer({
      url: this.databaseUrl,
      port: this.port,
      demo: true,
      program: this.program,
    });
  }

  /** Ends the server at once, as a crash would. */
  async killServer(): Promise<void> {
    await this.process?.kill();
    this.process = undefined;
  }

  async end(): Promise<void> {
    await this.process?.stop();
  }
}

import { randomUUID } from 'node:crypto';
import { setTimeout as sleep } from 'node:timers/promises';

/**
 * Students who save all the time, each as the browser does: what was not acknowledged is sent again, to whichever server
 * answers, until it is. Every step that a server acknowledged is remembered.
 */
export class Savers {
  acknowledged = 0;
  refused = [];
  stopped = false;

  /** @param bases where the servers are */
  constructor(bases, code) {
    this.bases = bases;
    this.code = code;
    this.students = [];
  }

  async comeIn(count) {
    for (let k = 0; k < count; k++) {
      const base = this.bases[0];
      const { cookie } = await this.send(base, {}, 'POST', '/join', { code: this.code, name: `Saver ${k}` });
      const headers = { cookie };
      const { answer: home } = await this.send(base, headers, 'GET', '/class');
      const { answer: lesson } = await this.send(
        base,
        headers,
        'GET',
        `/class/lessons/${home.lessons.find(({ title }) => title === 'Near and far').id}`,
      );
      const sheet = lesson.sheets[0];
      const path = `/editions/${lesson.edition.id}/sheets/${sheet.id}/stages/${sheet.stages[0].id}/work`;
      const { answer: work } = await this.send(base, headers, 'PUT', path, {});
      this.students.push({ headers, work: work.id, revision: work.revision, steps: [] });
    }
  }

  begin() {
    this.running = Promise.all(this.students.map((student, k) => this.saves(student, k)));
  }

  async end() {
    this.stopped = true;
    await this.running;
  }

  async saves(student, turn) {
    while (!this.stopped) {
      const step = {
        id: randomUUID(),
        kind: 'do',
        command: {
          name: 'moveControlPoint',
          item: 'waist',
          index: 4,
          to: [140 + Math.random() * 20, 30 + Math.random() * 10],
        },
      };
      for (let attempt = 0; ; attempt++) {
        const base = this.bases[(turn + attempt) % this.bases.length];
        try {
          const { answer } = await this.send(base, student.headers, 'POST', `/work/${student.work}/steps`, {
            base: student.revision,
            steps: [step],
          });
          student.revision = answer.revision;
          student.steps.push(step.id);
          this.acknowledged++;
          break;
        } catch (error) {
          if (error.refused) {
            this.refused.push(error.message);
            return;
          }
          await sleep(200);
        }
      }
      await sleep(50);
    }
  }

  /** @throws an error with `refused` where the server said no for good */
  async send(base, headers, method, path, body) {
    const response = await fetch(`${base}/api${path}`, {
      method,
      headers: { 'content-type': 'application/json', ...headers },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
      signal: globalThis.AbortSignal.timeout(30_000),
    });
    const answer = await response.json();
    if (!response.ok) {
      const error = new Error(`${path}: ${response.status} ${answer.detail}`);
      error.refused = response.status !== 503 && response.status !== 429 && response.status !== 500;
      if (response.status === 500) this.refused.push(error.message);
      throw error;
    }
    return { answer, cookie: response.headers.getSetCookie()[0]?.split(';')[0] };
  }
}

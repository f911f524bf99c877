import { createServer, connect } from 'node:net';
import { setTimeout } from 'node:timers';

/** A line between the servers and their database that can be slow, and can be cut. */
export async function lossyLine(port, toPort) {
  const open = new Set();
  let delay = 0;
  const server = createServer((near) => {
    const far = connect(toPort, '127.0.0.1');
    for (const [from, to] of [
      [near, far],
      [far, near],
    ]) {
      open.add(from);
      from.on('data', (data) => {
        if (delay === 0) to.write(data);
        else setTimeout(() => to.writable && to.write(data), delay);
      });
      from.on('error', () => to.destroy());
      from.on('close', () => {
        open.delete(from);
        to.destroy();
      });
    }
  });
  await new Promise((resolve, reject) => {
    server.on('error', reject);
    server.listen(port, '127.0.0.1', resolve);
  });
  return {
    /** Milliseconds that everything takes longer, each way. */
    slow: (ms) => (delay = ms),
    /** All connections end, in the middle of whatever they carry. */
    cut: () => open.forEach((socket) => socket.destroy()),
    close() {
      open.forEach((socket) => socket.destroy());
      server.close();
    },
  };
}

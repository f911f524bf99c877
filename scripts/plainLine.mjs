import { Buffer } from 'node:buffer';
import { connect } from 'node:net';

/**
 * A connection that is kept, for one request after the other, with nothing of a client but what it takes: so that a
 * bench measures the server and not what asks it. It understands answers with a content length.
 */
export class PlainLine {
  #socket;
  #head;
  #waiting;
  #received = '';

  /** @param headers sent with each request */
  constructor(base, headers) {
    const { hostname, port } = new URL(base);
    const given = Object.entries(headers).map(([name, value]) => `${name}: ${value}\r\n`);
    this.#head = `Host: ${hostname}:${port}\r\nContent-Type: application/json\r\n${given.join('')}`;
    this.#socket = connect(Number(port), hostname);
    this.#socket.setNoDelay();
    // Lengths are counted in bytes.
    this.#socket.setEncoding('latin1');
    this.#socket.on('data', (piece) => this.#take(piece));
    this.#socket.on('error', (error) => this.#waiting?.reject(error));
    this.#socket.on('close', () => this.#waiting?.reject(new Error('the server closed the connection')));
  }

  /** @returns status and the text of the answer */
  post(path, text) {
    return new Promise((resolve, reject) => {
      this.#waiting = { resolve, reject };
      this.#socket.write(
        `POST ${path} HTTP/1.1\r\n${this.#head}Content-Length: ${Buffer.byteLength(text)}\r\n\r\n${text}`,
      );
    });
  }

  end() {
    this.#waiting = undefined;
    this.#socket.destroy();
  }

  #take(piece) {
    this.#received += piece;
    const end = this.#received.indexOf('\r\n\r\n');
    if (end < 0) return;
    const length = Number(/\r\ncontent-length: (\d+)/i.exec(this.#received)?.[1]);
    if (this.#received.length < end + 4 + length) return;
    const { resolve } = this.#waiting;
    const status = Number(this.#received.slice(9, 12));
    const text = Buffer.from(this.#received.slice(end + 4), 'latin1').toString();
    this.#received = '';
    this.#waiting = undefined;
    resolve({ status, text });
  }
}

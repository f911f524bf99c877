/**
 * Sends a long body and tells on the way how much of it is sent, which `fetch` can't.
 * @param onSent told the share that is sent, 0 to 1
 * @throws TypeError where the server can't be reached, as `fetch` does
 */
export function sendTold(
  address: string,
  { method, headers, body }: { method: string; headers: Readonly<Record<string, string>>; body: string },
  onSent: (share: number) => void,
): Promise<Response> {
  return new Promise((resolve, reject) => {
    const request = new XMLHttpRequest();
    request.open(method, address);
    for (const [name, value] of Object.entries(headers)) request.setRequestHeader(name, value);
    request.upload.onprogress = ({ lengthComputable, loaded, total }) => {
      if (lengthComputable && total > 0) onSent(loaded / total);
    };
    request.onload = () =>
      resolve(
        new Response(request.responseText, {
          status: request.status,
          headers: { 'content-type': request.getResponseHeader('content-type') ?? '' },
        }),
      );
    request.onerror = () => reject(new TypeError('The server can’t be reached.'));
    request.send(body);
  });
}

/** The built app as a server: every answer, files included, goes to known hosts only and carries the same headers. */
import { createServer } from 'node:http';
import { pathToFileURL } from 'node:url';
import { inTurn } from './setup/in-turn.mjs';
import { PROJECT } from './setup/project.mjs';

/** The app refuses to start where it would not be safe; what it says is one sentence for whoever starts it. */
const { handler } = await import(pathToFileURL(`${PROJECT}/build/handler.js`).href).catch((/** @type {Error} */ error) => {
  console.error(error.message);
  process.exit(1);
});

/** Headers that every answer carries; routes may say something stricter. @source OWASP Secure Headers */
const HEADERS = {
  'x-content-type-options': 'nosniff',
  'referrer-policy': 'same-origin',
  'cross-origin-opener-policy': 'same-origin',
  'cross-origin-resource-policy': 'same-origin',
  'permissions-policy': 'camera=(), microphone=(), geolocation=(), payment=(), usb=()',
  ...(process.env.ORIGIN?.startsWith('https:') ? { 'strict-transport-security': 'max-age=31536000; includeSubDomains' } : {}),
  'content-security-policy':
    "default-src 'self'; script-src 'self' 'wasm-unsafe-eval'; object-src 'none'; base-uri 'none'; frame-ancestors 'none'",
};

/** The path library builds its functions from text; its worker, which has no page, may do so. Pages may not. */
const WORKERS = '/_app/immutable/workers/';
const WORKER_POLICY = HEADERS['content-security-policy'].replace("'wasm-unsafe-eval'", "'wasm-unsafe-eval' 'unsafe-eval'");

/** Names under which this server may be asked for; another name may be one that was bound to this address to get in. */
const origin = URL.canParse(process.env.ORIGIN ?? '') ? [new URL(process.env.ORIGIN ?? '').hostname] : [];
const hosts = new Set(['127.0.0.1', 'localhost', '[::1]', ...origin, ...(process.env.ALLOWED_HOSTS ?? '').split(',').filter(Boolean)]);
const isKnown = (/** @type {string | undefined} */ host) => host !== undefined && hosts.has(host.toLowerCase().replace(/:\d+$/, ''));

const begun = inTurn();

const server = createServer((request, response) => {
  for (const [name, value] of Object.entries(HEADERS)) response.setHeader(name, value);
  if (request.url?.startsWith(WORKERS)) response.setHeader('content-security-policy', WORKER_POLICY);
  if (!isKnown(request.headers.host)) {
    response.writeHead(421, { 'content-type': 'application/problem+json', 'cache-control': 'no-store', connection: 'close' });
    const message = 'This server does not answer to that name.';
    response.end(
      JSON.stringify({
        type: 'urn:lucky-thistle:problem:unknown-host',
        title: message,
        status: 421,
        detail: message,
        problems: [{ code: 'unknown-host', message, fix: 'Ask for 127.0.0.1, or name the host in ALLOWED_HOSTS.' }],
      }),
    );
    return;
  }
  const begin = () =>
    handler(request, response, () => {
      response.writeHead(404, { 'cache-control': 'no-store' });
      response.end();
    });
  // Whoever asks for a sign of life waits for nobody.
  if (request.url === '/api/health') begin();
  else begun(begin);
});
// Uploads of slow lines take long; what hangs for good does not.
server.requestTimeout = 300_000;
server.headersTimeout = 20_000;

const host = process.env.HOST ?? '127.0.0.1';
const port = Number(process.env.PORT ?? 4173);
server.listen(port, host, () => console.log(`Listening on http://${host}:${port}`));

let stopping = false;
function stop() {
  if (stopping) return;
  stopping = true;
  server.close();
  server.closeIdleConnections();
  // Streams of news would stay open for good: pages connect again by themselves.
  setTimeout(() => server.closeAllConnections(), 1000 * Number(process.env.SHUTDOWN_TIMEOUT ?? 3)).unref();
  process.emit('sveltekit:shutdown');
}
process.on('SIGTERM', stop);
process.on('SIGINT', stop);

import type { RequestHandler } from 'express';

/** Paths of this server that may be fetched as feeds; nothing else ever is. */
const ALLOWED = [/^\/feeds\/[a-z][a-z0-9-]*\.(json|csv)$/];
const WAIT_MS = 10_000;
const MOST_PAGES = 500;
const MOST_BYTES = 64 * 1024 * 1024;

/** A feed that could not be fetched, and what the page is told. */
class FeedFailure extends Error {
  constructor(
    readonly error: string,
    message: string,
    readonly status = 502,
  ) {
    super(message);
  }
}

/**
 * Fetches a feed for the page, all its pages: GET /fetch?address=/feeds/deliveries.json. Only addresses of this server's own feeds are allowed, each page as
 * well as the first; none is followed elsewhere, and no more is taken than 500 pages and 64 MB. Answers 403 to another address, 502 with a sentence where the feed fails.
 */
export const fetchFeed: RequestHandler = async (request, response) => {
  try {
    const address = typeof request.query['address'] === 'string' ? request.query['address'] : '';
    // Itself, at the port that the question came in at: never by a name that the question gives.
    const own = `http://${hostFor(request.socket.localAddress)}:${request.socket.localPort}`;
    const { type, body } = await wholeFeed(own, address);
    response.set('Cache-Control', 'no-store').type(type).send(body);
  } catch (failure) {
    const { error, message, status } = failure instanceof FeedFailure ? failure : new FeedFailure('feed', 'The feed could not be read.');
    response.status(status).json({ error, message });
  }
};

const hostFor = (address = '127.0.0.1'): string =>
  address.includes(':') && !address.startsWith('::ffff:') ? `[${address}]` : address.replace('::ffff:', '');

/** An address of the server's own feeds. Throws where it is any other. */
function allowedUrl(own: string, address: string): URL {
  const refused = new FeedFailure('address', 'Only feeds of this server can be tied to a table, such as /feeds/deliveries.json.', 403);
  if (!address.startsWith('/') || address.startsWith('//') || address.length > 2_000 || !URL.canParse(address, own)) throw refused;
  const url = new URL(address, own);
  if (url.origin !== new URL(own).origin || !ALLOWED.some(path => path.test(url.pathname))) throw refused;
  return url;
}

interface Page {
  readonly type: string;
  readonly text: string;
  readonly next: string | null;
}

async function wholeFeed(own: string, address: string): Promise<{ readonly type: string; readonly body: string }> {
  const pages: Page[] = [];
  let [next, bytes]: [string | null, number] = [address, 0];
  while (next !== null) {
    if (pages.length === MOST_PAGES) throw new FeedFailure('pages', `The feed has more than ${MOST_PAGES} pages. Ask for larger ones.`);
    const page: Page = await onePage(allowedUrl(own, next));
    bytes += page.text.length;
    if (bytes > MOST_BYTES) throw new FeedFailure('size', 'The feed gives more than 64 MB. Ask for fewer rows.');
    pages.push(page);
    next = page.next;
  }
  const [first] = pages as [Page];
  const isJson = first.type.includes('json');
  return { type: first.type, body: isJson ? joinedJson(pages) : joinedRows(pages) };
}

async function onePage(url: URL): Promise<Page> {
  try {
    const answer = await fetch(url, {
      redirect: 'error',
      signal: AbortSignal.timeout(WAIT_MS),
      headers: { 'Accept-Encoding': 'identity' },
    });
    if (!answer.ok) throw new FeedFailure('answer', `The feed answered with ${answer.status}.`);
    const text = await answer.text();
    const next = /<([^>]+)>\s*;\s*rel="next"/.exec(answer.headers.get('link') ?? '')?.[1] ?? null;
    return { type: answer.headers.get('content-type') ?? '', text, next };
  } catch (error) {
    if (error instanceof FeedFailure) throw error;
    const isLate = error instanceof DOMException && error.name === 'TimeoutError';
    throw new FeedFailure(
      isLate ? 'late' : 'cut',
      isLate ? `The feed did not answer within ${WAIT_MS / 1000} seconds.` : 'The feed was cut off before its end.',
    );
  }
}

/** Lists of records behind each other. */
function joinedJson(pages: readonly Page[]): string {
  const lists = pages.map(({ text }): unknown => {
    try {
      return JSON.parse(text);
    } catch {
      throw new FeedFailure('garbage', 'The feed gave something that is no JSON.');
    }
  });
  if (lists.length === 1) return (pages[0] as Page).text;
  if (!lists.every(Array.isArray)) throw new FeedFailure('garbage', 'A page of the feed is no list of records.');
  return JSON.stringify(lists.flat());
}

/** Rows below each other; every page must begin with the same names. */
function joinedRows(pages: readonly Page[]): string {
  const [first] = pages as readonly [Page, ...Page[]];
  const head = headOf(first.text);
  return pages
    .map(({ text }, at) => {
      if (!text.startsWith(head)) throw new FeedFailure('columns', 'A page of the feed has other columns than the first.');
      return at === 0 ? text : text.slice(head.length);
    })
    .join('');
}

/** The first record of a CSV text with its line end: a name in quotes may hold one. */
const headOf = (text: string): string => /^(?:"(?:[^"]|"")*"|[^"\r\n])*\r?\n?/.exec(text)?.[0] ?? '';

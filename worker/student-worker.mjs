// Runs in the browser, for students' pages only: what they need for today is on the device, and is shown from there when there is no
// network. Built to public/student-worker.js by scripts/build-parts.mjs; answers are not its business (see answer-queue.ts).
import {
  CacheFirst,
  CacheableResponsePlugin,
  ExpirationPlugin,
  NetworkFirst,
  RangeRequestsPlugin,
  Serwist,
} from "serwist";
import { filesNamed } from "@/screens/offline/named-files";
import { FILES, HERE, PAGES, WHOSE } from "@/screens/offline/names";

/** A page that has not come by then is shown as it was kept. */
const SLOW_SECONDS = 5;
const LARGEST_FILE = 50_000_000;
/** A page that was kept so long ago is kept anew; answers given since are remembered elsewhere (use-answers.ts). */
const FRESH_MS = 10 * 60_000;
const only200 = new CacheableResponsePlugin({ statuses: [200] });

/** Whoever closed the browser, or signed out, has left: her pages are not shown to the next child. */
async function isHers() {
  const whose = await caches.open(PAGES).then((cache) => cache.match(WHOSE));
  const here = await self.cookieStore?.get(HERE).catch(() => null);
  return Boolean(whose && here?.value && (await whose.text()) === here.value);
}

const notKept = () =>
  new Response(
    `<!doctype html><html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width">
<title>No network</title><body style="font:1.2rem/1.5 sans-serif;max-width:32rem;margin:4rem auto;padding:0 1rem">
<h1>No network just now</h1><p>This page is not kept on this device. What you wrote before is safe. It will be sent when the network is back.</p>
<p lang="es">No hay red en este momento. Lo que escribiste está guardado y se enviará cuando vuelva la red.</p>
<p><a href="/student">My work</a></p></body></html>`,
    { status: 503, headers: { "content-type": "text/html; charset=utf-8" } },
  );

const pages = new NetworkFirst({
  cacheName: PAGES,
  networkTimeoutSeconds: SLOW_SECONDS,
  matchOptions: { ignoreVary: true },
  plugins: [
    only200,
    {
      // What is asked of a page after its address makes no page of its own: the latest is kept, and an older one never found first.
      cacheKeyWillBeUsed: async ({ request }) => {
        const { origin, pathname } = new URL(request.url);
        return origin + pathname;
      },
      cachedResponseWillBeUsed: async ({ cachedResponse }) =>
        cachedResponse && (await isHers()) ? cachedResponse : null,
      handlerDidError: async () => notKept(),
    },
  ],
});
/** What she made without a network is shown from the device until it is sent. */
const own = {
  cachedResponseWillBeUsed: async ({ cachedResponse, request }) =>
    cachedResponse ?? caches.match(request.url, { cacheName: `${FILES}-own`, ignoreVary: true }),
};
const files = new CacheFirst({
  cacheName: FILES,
  matchOptions: { ignoreVary: true },
  plugins: [
    own,
    only200,
    new RangeRequestsPlugin(),
    new ExpirationPlugin({ maxEntries: 600, maxAgeSeconds: 14 * 86_400 }),
  ],
});

const serwist = new Serwist({
  precacheEntries: [],
  skipWaiting: true,
  clientsClaim: true,
  runtimeCaching: [
    {
      matcher: ({ request, url, sameOrigin }) =>
        sameOrigin && request.mode === "navigate" && /^\/student(\/\d+)?$/.test(url.pathname),
      handler: pages,
    },
    {
      matcher: ({ url, sameOrigin, request }) =>
        sameOrigin &&
        request.method === "GET" &&
        new URL(request.referrer || "/", url).pathname.startsWith("/student") &&
        /^\/(_next\/static|media|drawings|films|sounds)\//.test(url.pathname),
      handler: files,
    },
  ],
});
serwist.addEventListeners();

async function keepFile(cache, address) {
  if (await cache.match(address, { ignoreVary: true })) return;
  const response = await fetch(address);
  const size = Number(response.headers.get("content-length") ?? 0);
  if (response.status === 200 && size <= LARGEST_FILE) await cache.put(address, response);
  else await response.body?.cancel();
}

/** Fetches pages and all they name. One after another: a class does this at the same time. */
async function keep({ student, pages: addresses }) {
  const kept = await caches.open(PAGES);
  const whose = await kept.match(WHOSE);
  if (whose && (await whose.text()) !== String(student)) {
    await caches.delete(PAGES);
    return keep({ student, pages: addresses });
  }
  await kept.put(WHOSE, new Response(String(student)));
  const cache = await caches.open(FILES);
  let failed = false;
  for (const address of addresses) {
    try {
      const before = await kept.match(address, { ignoreVary: true });
      if (before && Date.now() - Date.parse(before.headers.get("date")) < FRESH_MS) continue;
      const response = await fetch(address, { headers: { accept: "text/html" } });
      if (response.status !== 200 || response.redirected) continue;
      const page = await response.clone().text();
      await kept.put(address, response);
      for (const file of filesNamed(page)) await keepFile(cache, file);
    } catch (error) {
      if (error.name === "QuotaExceededError") return "full";
      failed = true;
    }
  }
  return failed ? "some" : "all";
}

self.addEventListener("message", (event) => {
  if (!event.data?.keep) return;
  event.waitUntil(keep(event.data).then((said) => event.ports[0]?.postMessage({ kept: said })));
});

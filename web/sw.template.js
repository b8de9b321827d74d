// Opens the shell and the running treatment from this device when the server is away. It answers
// only what could not be fetched; whatever the server says is taken and kept anew.
const SHELL = "shell-__VERSION__";
const RUNNING = "running";
const FILES = __FILES__;
/** What a running treatment needs, and nothing else of a client. */
const NEEDED = [
  /^\/api\/session$/,
  /^\/api\/today$/,
  /^\/api\/practice\/numbers$/,
  /^\/api\/visits\/[^/]+$/,
  /^\/api\/treatments\/[^/]+$/,
];

self.addEventListener("install", (event) => {
  event.waitUntil(
    caches
      .open(SHELL)
      .then((cache) => cache.addAll(["/", ...FILES]))
      .then(() => self.skipWaiting()),
  );
});

self.addEventListener("activate", (event) => {
  event.waitUntil(
    caches
      .keys()
      .then((names) =>
        Promise.all(
          names
            .filter((name) => name !== SHELL && name !== RUNNING)
            .map((name) => caches.delete(name)),
        ),
      )
      .then(() => self.clients.claim()),
  );
});

self.addEventListener("fetch", (event) => {
  const { request } = event;
  const url = new URL(request.url);
  if (url.origin !== self.location.origin) return;
  if (url.pathname === "/api/sign-out" || url.pathname.startsWith("/api/sign-in")) {
    // Nobody else finds on this device what was kept for somebody.
    event.waitUntil(caches.delete(RUNNING));
    return;
  }
  if (request.method !== "GET") return;
  if (request.mode === "navigate") {
    event.respondWith(fetch(request).catch(() => kept(SHELL, "/")));
  } else if (url.pathname.startsWith("/assets/")) {
    event.respondWith(kept(SHELL, url.pathname).catch(() => fetch(request)));
  } else if (NEEDED.some((path) => path.test(url.pathname)) && url.search === "") {
    event.respondWith(asked(request, url.pathname));
  }
});

async function kept(name, key) {
  const cache = await caches.open(name);
  const answer = await cache.match(key);
  if (!answer) throw new Error(`${key} is not kept`);
  return answer;
}

async function asked(request, key) {
  try {
    const answer = await fetch(request);
    const cache = await caches.open(RUNNING);
    if (answer.ok) await cache.put(key, await stamped(answer.clone()));
    else await cache.delete(key);
    return answer;
  } catch (away) {
    return kept(RUNNING, key).catch(() => {
      throw away;
    });
  }
}

/** With when it was kept: what it says of the time has grown older since. */
async function stamped(answer) {
  const headers = new Headers(answer.headers);
  headers.set("x-kept-at", String(Date.now()));
  return new Response(await answer.blob(), { status: answer.status, headers });
}

// Keeps the application and what was last read of it on the device, so that a sheet opens where there is no signal.
// Nothing is written from here: entries wait in the page's outbox, and the server decides about them.
const SHELL = "shell-1";
const READ = "read-1";

self.addEventListener("install", (event) => {
  event.waitUntil(
    caches
      .open(SHELL)
      .then((cache) => cache.addAll(["/", "/theme.js", "/clerk.svg"]))
      .then(() => self.skipWaiting()),
  );
});

self.addEventListener("activate", (event) => {
  event.waitUntil(
    caches
      .keys()
      .then((names) => Promise.all(names.filter((n) => n !== SHELL && n !== READ).map((n) => caches.delete(n))))
      .then(() => self.clients.claim()),
  );
});

// After a logout nothing that was read stays on the device.
self.addEventListener("message", (event) => {
  if (event.data === "forget") {
    event.waitUntil(caches.delete(READ));
  }
});

async function fresh(request, name) {
  try {
    const answer = await fetch(request);
    if (answer.ok) {
      const cache = await caches.open(name);
      await cache.put(request, answer.clone());
    }
    return answer;
  } catch (error) {
    const kept = await caches.match(request);
    if (kept) {
      return kept;
    }
    throw error;
  }
}

async function page(request) {
  try {
    const answer = await fetch(request);
    if (answer.ok) {
      // Every address of the application is the same page.
      const cache = await caches.open(SHELL);
      await cache.put("/", answer.clone());
    }
    return answer;
  } catch (error) {
    const kept = await caches.match("/");
    if (kept) {
      return kept;
    }
    throw error;
  }
}

async function asset(request) {
  const kept = await caches.match(request);
  return kept ?? fresh(request, SHELL);
}

self.addEventListener("fetch", (event) => {
  const { request } = event;
  const url = new URL(request.url);
  // A stream of events has no end to wait for.
  const stream = request.headers.get("accept") === "text/event-stream";
  if (stream || request.method !== "GET" || url.origin !== self.location.origin || url.pathname.startsWith("/actuator")) {
    return;
  }
  if (request.mode === "navigate") {
    event.respondWith(page(request));
  } else if (url.pathname.startsWith("/assets/")) {
    event.respondWith(asset(request));
  } else if (url.pathname.startsWith("/api/") && !url.pathname.includes("/credentials")) {
    event.respondWith(fresh(request, READ));
  }
});

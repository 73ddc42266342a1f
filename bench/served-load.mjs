// 50 people at work at once: node bench/served-load.mjs ADDRESS OWNER PASSWORD [PEOPLE] [SECONDS] [JOBS] [WARM]
// Bounded, and against this machine alone. Every person has a login of their own and goes through a job as one does: day book, house, boxes,
// now and then a change, and rests between. Houses that are missing are made first. Prints the spread of reads, computations and changes, with a health
// request as the floor: of the first SECONDS of work, while the virtual machine still compiles, and of as many after WARM seconds more.
import { readFile } from "node:fs/promises";
import { loadHouses } from "./load-houses.mjs";

const [base, owner, password, people = "50", seconds = "120", jobsWanted = "200", warm = "300"] = process.argv.slice(2);
if (!/^http:\/\/127\.0\.0\.1:\d+$/.test(base ?? "")) {
  console.error("usage: node bench/served-load.mjs http://127.0.0.1:PORT OWNER PASSWORD [PEOPLE] [SECONDS] [JOBS] [WARM]");
  process.exit(2);
}
const WORDS = "grindstone lattice paper boat";
const REST_MS = [700, 2_300];
let seed = 20261126;
// Mulberry32: the same day every time.
const chance = () => {
  seed = (seed + 0x6d2b79f5) | 0;
  let t = Math.imul(seed ^ (seed >>> 15), 1 | seed);
  t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
  return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
};
const oneOf = (all) => all[Math.floor(chance() * all.length)];
const rest = (ms) => new Promise((done) => setTimeout(done, ms));

class Browser {
  cookies = new Map();
  times = { read: [], computed: [], changed: [] };
  slow = new Map();
  failed = [];

  async ask(method, path, body, kind) {
    const began = performance.now();
    const answer = await fetch(base + path, {
      method,
      headers: {
        "Content-Type": "application/json",
        Cookie: [...this.cookies].map(([k, v]) => `${k}=${v}`).join("; "),
        ...(method === "GET" ? {} : { "X-XSRF-TOKEN": this.cookies.get("XSRF-TOKEN") ?? "" }),
      },
      body: body === undefined ? undefined : JSON.stringify(body),
    });
    const text = await answer.text();
    const ms = performance.now() - began;
    for (const cookie of answer.headers.getSetCookie()) {
      const [pair] = cookie.split(";");
      const at = pair.indexOf("=");
      this.cookies.set(pair.slice(0, at), pair.slice(at + 1));
    }
    if (kind) {
      this.times[kind].push(ms);
      const page = path.replace(/[0-9a-f]{8}-[0-9a-f-]{27}/g, "…").replace(/text=.*/, "text=…");
      this.slow.set(`${method} ${page}`, [...(this.slow.get(`${method} ${page}`) ?? []), ms]);
    }
    // Somebody else changed it meanwhile: what the interface says then, and no error.
    if (answer.status >= 400 && answer.status !== 409) {
      this.failed.push(`${method} ${path}: ${answer.status} ${text.slice(0, 160)}`);
    }
    return text && answer.headers.get("content-type")?.includes("json") ? JSON.parse(text) : text;
  }

  async enter(name, secret) {
    await this.ask("GET", "/api/v1/session");
    await this.ask("POST", "/api/v1/session", { name, password: secret });
  }
}

const spread = (times) => {
  const sorted = times.toSorted((a, b) => a - b);
  const at = (share) => (sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))] ?? 0).toFixed(0);
  return `median ${at(0.5)} ms, p95 ${at(0.95)}, p99 ${at(0.99)}, max ${(sorted.at(-1) ?? 0).toFixed(0)} (${sorted.length})`;
};

/** A morning of one person, again and again until the time is over. */
async function work(browser, jobs, wiring, until) {
  while (performance.now() < until) {
    const step = async (method, path, body, kind = "read") => {
      await rest(REST_MS[0] + chance() * (REST_MS[1] - REST_MS[0]));
      return performance.now() < until ? browser.ask(method, path, body, kind) : undefined;
    };
    await step("GET", "/api/v1/day-book");
    const job = oneOf(jobs);
    const house = await step("GET", `/api/v1/jobs/${job.id}`);
    if (!house?.boxes?.length) {
      continue;
    }
    for (let visit = 0; visit < 3; visit++) {
      const box = oneOf(house.boxes).id;
      const survey = await step("GET", `/api/v1/boxes/${box}/survey`);
      if (!survey?.survey?.gangs?.length) {
        continue;
      }
      await step("GET", `/api/v1/boxes/${box}/plan`, undefined, "computed");
      await step("GET", `/api/v1/boxes/${box}/match?gangs=1`, undefined, "computed");
      if (survey?.survey && chance() < 0.4) {
        survey.survey.loads?.forEach((load) => {
          load.typed = `LED ${5 + Math.floor(chance() * 9)}`;
        });
        await step("PUT", `/api/v1/boxes/${box}/survey`, { version: survey.version, survey: survey.survey }, "changed");
      }
    }
    await step("GET", `/api/v1/search?text=${oneOf(["B-17", "reel lamp", "gallery", "LED 9", "spindle"])}`);
    await step("GET", `/api/v1/jobs/${job.id}/log`);
    await step("GET", `/api/v1/jobs/${job.id}/pick-list`);
    await step("POST", "/api/v1/compute/wiring-check", wiring, "computed");
    await step("GET", `/api/v1/jobs/${job.id}/papers`);
  }
}

const first = new Browser();
await first.enter(owner, password);
const jobs = await loadHouses(first.ask.bind(first), Number(jobsWanted));
const wiring = JSON.parse(await readFile(new URL("../app/src/test/resources/examples/wiring/behind_switch-00.json", import.meta.url))).request;
const crowd = [];
for (let i = 1; i <= Number(people); i++) {
  const browser = new Browser();
  const name = `load-${i}`;
  await browser.enter(name, WORDS);
  if (browser.failed.length > 0) {
    browser.failed = [];
    const link = await first.ask("POST", "/api/v1/invitations", { displayName: `Hand ${i}`, role: "LEAD" });
    await browser.ask("POST", "/api/v1/invitation/accepted", { text: link.text, name, password: WORDS });
  }
  crowd.push(browser);
}
console.log(`${crowd.length} people, ${jobs.length} jobs, ${jobs.reduce((n, job) => n + job.boxes, 0)} boxes, twice ${seconds} s`);
// People begin one after the other, and what they did in the first seconds is left out.
const BEGIN_MS = 30_000;
const until = performance.now() + BEGIN_MS + (2 * Number(seconds) + Number(warm)) * 1000;
const working = crowd.map(async (browser) => {
  await rest(chance() * 10_000);
  await work(browser, jobs, wiring, until);
});

/** Figures of everybody's work for a time. */
async function measured(what, ms) {
  for (const browser of crowd) {
    browser.times = { read: [], computed: [], changed: [] };
    browser.slow.clear();
  }
  const floor = [];
  const end = performance.now() + ms;
  while (performance.now() < end) {
    const began = performance.now();
    await (await fetch(`${base}/actuator/health`)).text();
    floor.push(performance.now() - began);
    await rest(1_000);
  }
  console.log(what);
  console.log(`health, the floor  ${spread(floor)}`);
  for (const kind of ["read", "computed", "changed"]) {
    console.log(`${kind.padEnd(18)} ${spread(crowd.flatMap((browser) => browser.times[kind]))}`);
  }
  const pages = new Map();
  for (const browser of crowd) {
    for (const [page, times] of browser.slow) {
      pages.set(page, [...(pages.get(page) ?? []), ...times]);
    }
  }
  for (const [page, times] of [...pages].toSorted((a, b) => a[0].localeCompare(b[0]))) {
    console.log(`  ${page.padEnd(44)} ${spread(times)}`);
  }
}

await rest(BEGIN_MS);
await measured("just begun", Number(seconds) * 1000);
await rest(Number(warm) * 1000);
await measured(`after ${warm} s more of work`, Number(seconds) * 1000);
await Promise.all(working);
const failed = crowd.flatMap((browser) => browser.failed);
console.log(`errors: ${failed.length}`);
for (const line of failed.slice(0, 10)) {
  console.log(`  ${line}`);
}
process.exit(failed.length > 0 ? 1 : 0);

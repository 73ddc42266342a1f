// Papers of large houses, and search over many, against a running clerk whose heap is capped at 512 MB: node bench/served-papers.mjs ADDRESS TOKEN [HOUSES] [small]
// Each figure has a health request to the same server beside it, as the floor of what HTTP costs here.
import { createHash } from "node:crypto";

const [base, token, houses = "200"] = process.argv.slice(2);
const headers = { Authorization: `Bearer ${token}`, "Content-Type": "application/json" };
const WORDS = ["reel lamp", "B-17", "gallery", "spindle", "LED 9", "SN-00", "nowhere at all", "Mill 1", "reel fan", "lamp nowhere"];

async function ask(method, path, body) {
  const answer = await fetch(base + path, { method, headers, body: body && (typeof body === "string" ? body : JSON.stringify(body)) });
  const text = await answer.text();
  if (!answer.ok) {
    throw new Error(`${method} ${path}: ${answer.status} ${text.slice(0, 300)}`);
  }
  return text ? JSON.parse(text) : undefined;
}

const spread = (times) => {
  const sorted = times.toSorted((a, b) => a - b);
  const at = (share) => sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))].toFixed(1);
  return `median ${at(0.5)} ms, p5 ${at(0.05)}, p95 ${at(0.95)}, max ${sorted.at(-1).toFixed(1)} (${sorted.length})`;
};

async function timed(doing) {
  const began = performance.now();
  await doing();
  return performance.now() - began;
}

async function house(boxes) {
  const name = `Mill 0 of ${boxes}, ${Date.now()}`;
  const { id: job } = await ask("POST", "/api/v1/jobs", { name, place: "", region: "EU_230" });
  const { id: circuit } = await ask("POST", `/api/v1/jobs/${job}/circuits`, { label: "1", ratingAmps: 10, phase: "L1", alternativelySupplied: false });
  const demo = (await ask("GET", "/api/v1/jobs")).find((each) => each.name === "Tannery House").id;
  const model = (await ask("GET", `/api/v1/jobs/${demo}`)).boxes.find((box) => box.label === "B-01").id;
  const { survey } = await ask("GET", `/api/v1/boxes/${model}/survey`);
  let room;
  for (let i = 0; i < boxes; i++) {
    if (i % 4 === 0) {
      ({ id: room } = await ask("POST", `/api/v1/jobs/${job}/rooms`, { name: `Spindle gallery ${i / 4}`, storey: "Ground floor" }));
    }
    const own = structuredClone(survey);
    own.label = `B-${i}`;
    own.gangs.forEach((gang, n) => Object.assign(gang, { circuit, name: `Reel lamp ${n}` }));
    own.cables.forEach((cable) => cable.circuit && Object.assign(cable, { circuit }));
    const { id: box } = await ask("POST", `/api/v1/rooms/${room}/boxes`, { survey: own });
    const { version } = await ask("GET", `/api/v1/boxes/${box}/plan`);
    await ask("PUT", `/api/v1/boxes/${box}/plan`, {
      version,
      picks: [{ moduleCode: "SK-2", gangs: [1, 2], behaviours: { 1: "EVERY_FLIP", 2: "EVERY_FLIP" } }],
    });
  }
  return job;
}

async function book(job) {
  let said = "";
  const ms = await timed(async () => {
    const { id } = await ask("POST", `/api/v1/jobs/${job}/papers`, { kind: "AS_BUILT", size: "A4" });
    for (;;) {
      const paper = (await ask("GET", `/api/v1/jobs/${job}/papers`)).papers.find((each) => each.id === id);
      if (paper?.state !== "RUNNING") {
        said = `${paper.state}, ${Math.round(paper.bytes / 1024)} kB`;
        break;
      }
      await new Promise((done) => setTimeout(done, 100));
    }
  });
  return { ms, said };
}

const health = [];
for (let i = 0; i < 200; i++) {
  health.push(await timed(() => fetch(`${base}/actuator/health`).then((answer) => answer.text())));
}
console.log(`health, the floor        ${spread(health)}`);

const sixty = await house(60);
for (let run = 1; run <= 4; run++) {
  const { ms, said } = await book(sixty);
  console.log(`as-built book, 60 positions, run ${run}: ${(ms / 1000).toFixed(1)} s (${said})`);
}
if (process.argv[5] !== "small") {
  const large = await house(300);
  const { ms, said } = await book(large);
  console.log(`as-built book, 300 positions: ${(ms / 1000).toFixed(1)} s (${said})`);
}

const file = await (await fetch(`${base}/api/v1/jobs/${sixty}/export`, { headers })).text();
const name = JSON.parse(file).parts.job[0].name;
const taken = [];
for (let i = 1; i < Number(houses); i++) {
  const copy = file
    .replace(/[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}/g, (id) => {
      const hash = createHash("sha256").update(`${id} ${i} ${name}`).digest("hex");
      return `${hash.slice(0, 8)}-${hash.slice(8, 12)}-4${hash.slice(13, 16)}-8${hash.slice(17, 20)}-${hash.slice(20, 32)}`;
    })
    .replaceAll(name, `${name} copy ${i}`);
  taken.push(await timed(() => ask("POST", "/api/v1/jobs/import?apply=true", copy)));
}
console.log(`a job of 60 boxes taken  ${spread(taken)}`);
for (const word of WORDS) {
  const times = [];
  let hits = 0;
  for (let i = -20; i < 100; i++) {
    const ms = await timed(async () => {
      hits = (await ask("GET", `/api/v1/search?text=${encodeURIComponent(word)}`)).length;
    });
    if (i >= 0) {
      times.push(ms);
    }
  }
  console.log(`search "${word}", ${hits} hits: ${spread(times)}`);
}
const days = [];
for (let i = -5; i < 30; i++) {
  const ms = await timed(() => ask("GET", "/api/v1/day-book"));
  if (i >= 0) {
    days.push(ms);
  }
}
console.log(`day book of ${houses} jobs      ${spread(days)}`);

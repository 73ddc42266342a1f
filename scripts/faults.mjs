// A scripted working day during which application, database and broker are killed (kill -9) at random moments, again and again:
// node scripts/faults.mjs JAR [ROUNDS] [SEED]. Everything runs on loopback in a directory of its own (RUN_DIR) and only processes that this
// script started are ended. What was acknowledged must be there afterwards; what was not may be there whole, or not at all; no gate of a run
// sheet is passed that nobody passed. Then: a clock that jumps, a disk that is full, migrations that are cut off. Prints its figures.
import { execFileSync, spawn } from "node:child_process";
import { randomUUID } from "node:crypto";
import { existsSync, mkdirSync, openSync, rmSync, writeFileSync } from "node:fs";
import { createServer } from "node:net";
import { dirname, join, resolve } from "node:path";
import { fileURLToPath } from "node:url";

const [jar, roundsWanted = "200", seedWanted = "20261126"] = process.argv.slice(2);
const ROUNDS = Number(roundsWanted);
const ROOT = resolve(dirname(fileURLToPath(import.meta.url)), "..");
const PLACE = process.env.RUN_DIR ?? join(ROOT, ".run", "faults");

// With the archive of classes that a stop in good order leaves behind, and code compiled once, a start takes a third of the time.
const ARCHIVE = join(dirname(jar ?? "."), "classes.jsa");
const quick = () => [
  "-XX:+UseSerialGC",
  "-XX:TieredStopAtLevel=1",
  "-Xlog:cds=off",
  "-Xlog:cds+dynamic=off",
  `${existsSync(ARCHIVE) ? "-XX:SharedArchiveFile" : "-XX:ArchiveClassesAtExit"}=${ARCHIVE}`,
];

let seed = Number(seedWanted) | 0;
// Mulberry32: the same day for the same seed, as far as the machine lets it.
const chance = () => {
  seed = (seed + 0x6d2b79f5) | 0;
  let t = Math.imul(seed ^ (seed >>> 15), 1 | seed);
  t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
  return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
};
const upTo = (n) => Math.floor(chance() * n);
const rest = (ms) => new Promise((done) => setTimeout(done, ms));
const freePort = () =>
  new Promise((done) => {
    const server = createServer().listen(0, "127.0.0.1", () => {
      const { port } = server.address();
      server.close(() => done(port));
    });
  });

const wrong = [];
const expect = (holds, what) => {
  if (!holds) {
    wrong.push(what);
    console.log(`WRONG ${what}`);
  }
};

// --- what is killed ---

class Database {
  constructor(name, port, extra = "") {
    this.env = { ...process.env, RUN_DIR: join(PLACE, name), DB_PORT: String(port), DB_NAME: "clerk", DB_EXTRA: extra };
    this.port = port;
    mkdirSync(this.env.RUN_DIR, { recursive: true });
  }

  bash(script, extra) {
    const env = extra === undefined ? this.env : { ...this.env, DB_EXTRA: extra };
    return execFileSync("bash", ["-c", `. "${ROOT}/scripts/db.sh"; ${script}`], { env, encoding: "utf8", stdio: ["ignore", "pipe", "pipe"] });
  }

  start(extra) {
    this.bash("db_start", extra);
  }

  kill() {
    this.bash("db_kill");
  }

  stop() {
    this.bash("db_stop");
  }

  sql(text, database = "clerk") {
    return execFileSync("bash", ["-c", `. "${ROOT}/scripts/db.sh"; db_sql -Ne "$1" "$2"`, "sql", text, database], { env: this.env, encoding: "utf8", stdio: ["ignore", "pipe", "ignore"] }).trim();
  }
}

class App {
  constructor(port, env) {
    this.base = `http://127.0.0.1:${port}`;
    this.env = { ...process.env, CLERK_PORT: String(port), CLERK_KEY_FILE: join(PLACE, "credential-keys"), ...env };
  }

  launch(more = {}) {
    const log = openSync(join(PLACE, "app.log"), "a");
    this.process = spawn("java", ["-Xmx512m", ...quick(), "-jar", jar], {
      env: { ...this.env, ...more },
      stdio: ["ignore", log, log],
    });
    this.gone = new Promise((done) => this.process.once("exit", done));
  }

  async ready(ms = 180_000) {
    const end = Date.now() + ms;
    while (Date.now() < end) {
      if (this.process.exitCode !== null || this.process.signalCode !== null) {
        return false;
      }
      const answer = await fetch(`${this.base}/actuator/health/readiness`, { signal: AbortSignal.timeout(2_000) }).catch(() => undefined);
      if (answer?.ok) {
        return true;
      }
      await rest(100);
    }
    return false;
  }

  async start(more) {
    this.launch(more);
    if (!(await this.ready())) {
      throw new Error("The application did not start; see app.log.");
    }
  }

  async stop() {
    this.process.kill("SIGTERM");
    await this.gone;
  }

  async kill() {
    this.process.kill("SIGKILL");
    await this.gone;
  }
}

class Broker {
  constructor(port) {
    this.port = port;
    writeFileSync(join(PLACE, "mosquitto.conf"), `listener ${port} 127.0.0.1\nallow_anonymous true\npersistence false\n`);
  }

  start() {
    this.process = spawn("mosquitto", ["-c", join(PLACE, "mosquitto.conf")], { stdio: "ignore" });
    this.gone = new Promise((done) => this.process.once("exit", done));
  }

  async kill() {
    this.process.kill("SIGKILL");
    await this.gone;
  }
}

// --- the person at work ---

class Person {
  cookies = new Map();

  constructor(base) {
    this.base = base;
  }

  /** Undefined where no answer came, or one that promises nothing: the clerk was out. */
  async ask(method, path, body) {
    let answer;
    let text;
    try {
      answer = await fetch(this.base + path, {
        method,
        headers: {
          "Content-Type": "application/json",
          Cookie: [...this.cookies].map(([k, v]) => `${k}=${v}`).join("; "),
          ...(method === "GET" ? {} : { "X-XSRF-TOKEN": this.cookies.get("XSRF-TOKEN") ?? "" }),
        },
        body: body === undefined ? undefined : JSON.stringify(body),
        signal: AbortSignal.timeout(20_000),
      });
      text = await answer.text();
    } catch {
      return undefined;
    }
    for (const cookie of answer.headers.getSetCookie()) {
      const [pair] = cookie.split(";");
      const at = pair.indexOf("=");
      this.cookies.set(pair.slice(0, at), pair.slice(at + 1));
    }
    if (answer.status >= 500) {
      return undefined;
    }
    return { status: answer.status, body: text && answer.headers.get("content-type")?.includes("json") ? JSON.parse(text) : text };
  }

  async sure(method, path, body) {
    const answer = await this.ask(method, path, body);
    if (!answer || answer.status >= 300) {
      throw new Error(`${method} ${path}: ${answer?.status} ${JSON.stringify(answer?.body)?.slice(0, 400)}`);
    }
    return answer.body;
  }
}

/** What was acknowledged of a day's work, and what was on its way when something died. */
class Day {
  boxes = new Map();
  pending = new Map();
  loads = new Map();
  steps = new Set();
  acknowledged = 0;
  onTheirWay = 0;
  number = 0;

  sheets = [];

  constructor(person, job, room, template) {
    Object.assign(this, { person, job, room, template });
  }

  /** A box with a module that was picked for it. */
  async picked(label) {
    const survey = structuredClone(this.template);
    survey.label = label;
    const box = await this.person.sure("POST", `/api/v1/rooms/${this.room}/boxes`, { survey });
    const { version } = await this.person.sure("GET", `/api/v1/boxes/${box.id}/plan`);
    const plan = await this.person.sure("PUT", `/api/v1/boxes/${box.id}/plan`, { version, picks: [{ moduleCode: "SK-1", gangs: [1], behaviours: { 1: "EVERY_FLIP" } }] });
    return { id: box.id, version: plan.version };
  }

  async openSheet(label) {
    const { id, version } = await this.picked(label);
    await this.person.sure("POST", `/api/v1/boxes/${id}/plan/issue`, { version });
    await this.person.sure("POST", `/api/v1/boxes/${id}/run-sheet`);
    this.sheets.push(id);
  }

  /** A run sheet that is worked through makes room for the next. */
  async nextSheetIfDone() {
    const { sheet } = await this.person.sure("GET", `/api/v1/boxes/${this.sheets.at(-1)}/run-sheet`);
    if (sheet.finished) {
      await this.openSheet(`S-${this.sheets.length}`);
    }
  }

  async addBox() {
    const label = `D-${this.number++}`;
    const survey = structuredClone(this.template);
    survey.label = label;
    this.pending.set(label, true);
    const made = await this.person.ask("POST", `/api/v1/rooms/${this.room}/boxes`, { survey });
    if (made?.status === 201) {
      this.boxes.set(label, made.body.id);
      this.pending.delete(label);
      this.acknowledged++;
    } else {
      this.onTheirWay++;
    }
  }

  async changeLoad() {
    const [label, id] = [...this.boxes][upTo(this.boxes.size)] ?? [];
    if (!id) {
      return;
    }
    const now = await this.person.ask("GET", `/api/v1/boxes/${id}/survey`);
    if (now?.status !== 200) {
      return;
    }
    const survey = now.body.survey;
    const known = this.loads.get(label) ?? { sure: survey.loads[0].typed, maybe: [] };
    const next = `LED ${1 + upTo(9)}${upTo(10)}`;
    survey.loads[0].typed = next;
    survey.gangs[0].name = `Lamp ${next}`;
    this.loads.set(label, { ...known, maybe: [...known.maybe, next] });
    const kept = await this.person.ask("PUT", `/api/v1/boxes/${id}/survey`, { version: now.body.version, survey });
    // Others change the same load: their answers may have come in between, and in any order.
    const meanwhile = this.loads.get(label);
    const maybe = meanwhile.maybe.filter((typed) => typed !== next);
    if (kept?.status === 200) {
      this.loads.set(label, now.body.version < (meanwhile.at ?? 0) ? { ...meanwhile, maybe } : { sure: next, at: now.body.version + 1, maybe });
      this.acknowledged++;
    } else if (kept) {
      this.loads.set(label, { ...meanwhile, maybe });
    } else {
      this.onTheirWay++;
    }
  }

  /** The next step of a run sheet, by a key of its own: sent again after an outage it counts once. */
  async nextStep() {
    if (this.stepping) {
      return;
    }
    this.stepping = true;
    try {
      await this.enterStep();
    } finally {
      this.stepping = false;
    }
  }

  async enterStep() {
    const box = this.sheets.at(-1);
    const sheet = (await this.person.ask("GET", `/api/v1/boxes/${box}/run-sheet`))?.body?.sheet;
    if (!sheet || sheet.finished || sheet.setAside) {
      return;
    }
    const step = sheet.steps.find((each) => each.id === sheet.current);
    const entry = this.waiting ?? {
      box,
      body: {
        key: randomUUID(),
        stepId: step.id,
        confirmed: step.confirms.map((confirm) => confirm.id),
        readings: Object.fromEntries(step.readings.map((reading) => [reading.id, (reading.least + reading.most) / 2])),
        note: "",
      },
    };
    this.waiting = entry;
    const answer = await this.person.ask("POST", `/api/v1/boxes/${entry.box}/run-sheet/entries`, entry.body);
    if (answer) {
      if (answer.status < 300) {
        this.steps.add(`${entry.box} ${entry.body.stepId}`);
        this.acknowledged++;
      }
      this.waiting = undefined;
    } else {
      this.onTheirWay++;
    }
  }

  async flip() {
    await this.person.ask("POST", `/api/v1/jobs/${this.job}/live/deeds`, { kind: "HAND", at: this.hand, doing: "FLIP" });
  }

  async work(until) {
    while (!until.over) {
      const what = chance();
      if (what < 0.3) {
        await this.addBox();
      } else if (what < 0.6) {
        await this.changeLoad();
      } else if (what < 0.9) {
        await this.nextStep();
      } else {
        await this.flip();
      }
    }
  }

  /** Everything that was acknowledged is there; nothing is half there. */
  async check(round, database) {
    const house = await this.person.sure("GET", `/api/v1/jobs/${this.job}`);
    const labels = new Map(house.boxes.map((box) => [box.label, box.id]));
    for (const [label, id] of this.boxes) {
      expect(labels.get(label) === id, `round ${round}: box ${label} was acknowledged and is gone`);
    }
    for (const label of [...this.pending.keys()]) {
      // On its way when something died: it may have come. From now on it counts.
      if (labels.has(label)) {
        this.boxes.set(label, labels.get(label));
      }
      this.pending.delete(label);
    }
    for (const [label, known] of this.loads) {
      if (known.maybe.length === 0 && round % 10 !== 0) {
        continue;
      }
      const { survey } = await this.person.sure("GET", `/api/v1/boxes/${this.boxes.get(label)}/survey`);
      const typed = survey.loads[0].typed;
      expect([known.sure, ...known.maybe].includes(typed), `round ${round}: load of ${label} is ${typed}, acknowledged was ${known.sure}`);
      if (survey.gangs[0].name.startsWith("Lamp ")) {
        expect(survey.gangs[0].name === `Lamp ${typed}`, `round ${round}: gang and load of ${label} are of different changes`);
      }
      this.loads.set(label, { ...known, sure: typed, maybe: [] });
    }
    for (const box of new Set([...this.steps].map((step) => step.split(" ")[0]))) {
      const { sheet } = await this.person.sure("GET", `/api/v1/boxes/${box}/run-sheet`);
      for (const step of sheet.steps) {
        const done = step.done !== undefined && step.done !== null;
        const known = this.steps.has(`${box} ${step.id}`);
        const onItsWay = this.waiting?.box === box && this.waiting.body.stepId === step.id;
        expect(!known || done, `round ${round}: step ${step.id} was acknowledged and is open`);
        expect(known || onItsWay || !done, `round ${round}: ${step.gate ? "gate" : "step"} ${step.id} is passed, and nobody passed it`);
        if (done && onItsWay) {
          this.steps.add(`${box} ${step.id}`);
        }
      }
    }
    // A row and what belongs to it are of one transaction.
    const halves = database.sql(`SELECT
      (SELECT COUNT(*) FROM box b WHERE NOT EXISTS (SELECT 1 FROM log_entry e WHERE e.box_id = b.id AND e.concept = 'box' AND e.action = 'ADDED')) +
      (SELECT COUNT(*) FROM box b WHERE b.label LIKE 'D-%' AND (SELECT COUNT(*) FROM box_load l WHERE l.box_id = b.id) <> ${this.template.loads.length}) +
      (SELECT COUNT(*) FROM run_sheet s WHERE (SELECT COUNT(*) FROM run_sheet_entry e WHERE e.run_sheet_id = s.id) <> (SELECT COALESCE(MAX(e.position) + 1, 0) FROM run_sheet_entry e WHERE e.run_sheet_id = s.id))`);
    expect(halves === "0", `round ${round}: ${halves} rows are half written`);
  }
}

/** A job with boxes, a run sheet that is worked through, and a live house. */
async function openDay(person) {
  await person.ask("GET", "/api/v1/session");
  await person.sure("POST", "/api/v1/session", { name: "tarrow", password: "tannery-house-demo" });
  const demo = (await person.sure("GET", "/api/v1/jobs")).find((job) => job.name === "Tannery House").id;
  const model = (await person.sure("GET", `/api/v1/jobs/${demo}`)).boxes.find((box) => box.label === "B-02").id;
  const { id: job } = await person.sure("POST", "/api/v1/jobs", { name: `Day of faults ${Date.now()}`, place: "", region: "EU_230" });
  const { id: circuit } = await person.sure("POST", `/api/v1/jobs/${job}/circuits`, { label: "1", ratingAmps: 10, phase: "L1", alternativelySupplied: false });
  const { id: room } = await person.sure("POST", `/api/v1/jobs/${job}/rooms`, { name: "Hall", storey: "Ground floor" });
  const { survey: template } = await person.sure("GET", `/api/v1/boxes/${model}/survey`);
  template.gangs.forEach((gang) => {
    gang.circuit = circuit;
  });
  template.cables.filter((cable) => cable.circuit).forEach((cable) => {
    cable.circuit = circuit;
  });
  const day = new Day(person, job, room, template);
  for (let i = 0; i < 3; i++) {
    await day.openSheet(`S-${i}`);
  }
  const { id: box } = await day.picked("L-1");
  await person.sure("POST", `/api/v1/jobs/${job}/live/start`);
  day.hand = `${box}/S1`;
  return day;
}

const share = (sorted, q) => sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * q))];
const seconds = (times) => {
  const sorted = times.toSorted((a, b) => a - b);
  return sorted.length === 0 ? "none" : `median ${(share(sorted, 0.5) / 1000).toFixed(1)} s, longest ${(sorted.at(-1) / 1000).toFixed(1)} s (${sorted.length})`;
};

async function killings(app, database, broker, day) {
  const back = { application: [], database: [], broker: [], everything: [] };
  for (let round = 1; round <= ROUNDS; round++) {
    const until = { over: false };
    const working = Promise.all([day.work(until), day.work(until), day.work(until)]);
    await rest(300 + upTo(1_500));
    const dice = chance();
    const victim = dice < 0.35 ? "application" : dice < 0.7 ? "database" : dice < 0.9 ? "broker" : "everything";
    const doing = { application: [app], database: [database], broker: [broker], everything: [app, database, broker] }[victim];
    await Promise.all(doing.map((each) => each.kill()));
    const began = performance.now();
    await rest(upTo(400));
    until.over = true;
    if (victim === "database" || victim === "everything") {
      database.start();
    }
    if (victim === "broker" || victim === "everything") {
      broker.start();
    }
    if (victim === "application" || victim === "everything") {
      app.launch();
    }
    expect(await app.ready(), `round ${round}: not ready again after ${victim} was killed`);
    back[victim].push(performance.now() - began);
    await working;
    await day.check(round, database);
    if (victim === "application" || victim === "everything") {
      // A live house ends with its node. Whoever looks at it starts it again; the lease of the dead node runs out by then, or was its own.
      await day.person.ask("POST", `/api/v1/jobs/${day.job}/live/start`);
    }
    await day.nextSheetIfDone();
    if (round % 20 === 0) {
      console.log(`${round} rounds: ${day.acknowledged} acknowledged, ${day.boxes.size} boxes, ${day.steps.size} steps, wrong so far: ${wrong.length}`);
    }
  }
  for (const [victim, times] of Object.entries(back)) {
    console.log(`ready again after ${victim.padEnd(12)} ${seconds(times)}`);
  }
  console.log(`acknowledged ${day.acknowledged}, on their way at a death ${day.onTheirWay}`);
}

async function clockJumps(app, database, day) {
  for (const wrongBy of ["-PT3H", "P2D", "PT0S"]) {
    await app.kill();
    await app.start({ CLERK_CLOCK_WRONG_BY: wrongBy });
    const until = { over: false };
    await day.person.ask("GET", "/api/v1/session");
    if (!(await day.person.ask("GET", "/api/v1/session"))?.body?.loggedIn) {
      await day.person.sure("POST", "/api/v1/session", { name: "tarrow", password: "tannery-house-demo" });
    }
    const working = day.work(until);
    await rest(3_000);
    until.over = true;
    await working;
    await day.check(`clock ${wrongBy}`, database);
    await day.nextSheetIfDone();
  }
  console.log("clock three hours back, two days on, right again: nothing lost, no gate passed");
}

/** InnoDB in one file that may not grow: what a full disk is to it, without filling the disk of this machine. */
async function diskFull(app, port) {
  const limited = (megabytes) => `--innodb-file-per-table=0 --innodb-data-file-path=ibdata1:12M:autoextend:max:${megabytes}M`;
  const small = new Database("small", port, limited(160));
  small.start();
  await app.start({ CLERK_DB_URL: `jdbc:mariadb://127.0.0.1:${port}/clerk`, CLERK_MQTT_URL: "" });
  const person = new Person(app.base);
  const day = await openDay(person);
  await day.addBox();
  small.sql("CREATE TABLE filler (number INT AUTO_INCREMENT PRIMARY KEY, stuff LONGBLOB)");
  for (const kilobytes of [4096, 512, 64, 12]) {
    try {
      for (let i = 0; i < 200; i++) {
        small.sql(`INSERT INTO filler (stuff) VALUES (REPEAT('x', ${kilobytes * 1024}))`);
      }
    } catch {
      // Full for pieces of this size.
    }
  }
  let told = 0;
  for (let i = 0; i < 400 && told < 3; i++) {
    const survey = structuredClone(day.template);
    survey.label = `D-${day.number++}`;
    survey.loads[0].name = "x".repeat(100);
    const answer = await fetch(`${app.base}/api/v1/rooms/${day.room}/boxes`, {
      method: "POST",
      headers: { "Content-Type": "application/json", Cookie: [...person.cookies].map(([k, v]) => `${k}=${v}`).join("; "), "X-XSRF-TOKEN": person.cookies.get("XSRF-TOKEN") },
      body: JSON.stringify({ survey }),
    });
    const words = await answer.text();
    if (answer.status === 201) {
      day.boxes.set(survey.label, JSON.parse(words).id);
    } else {
      day.pending.set(survey.label, true);
      expect(answer.status === 503 && words.includes("disk of the clerk is full"), `disk full: ${answer.status} ${words.slice(0, 200)}`);
      told++;
    }
  }
  expect(told === 3, "disk full: it was never full");
  // A login is written at every request: what only reads is told the same while it cannot be.
  small.stop();
  small.start(limited(480));
  expect(await app.ready(), "disk full: not ready after room was made");
  await day.check("room made", small);
  const before = day.boxes.size;
  for (let i = 0; i < 3; i++) {
    await day.addBox();
  }
  expect(day.boxes.size === before + 3, "disk full: room was made, and it is not worked on");
  await day.check("worked on", small);
  await app.kill();
  small.stop();
  console.log("disk full: told with 503, nothing half written, worked on when room was made");
}

/** Tables of an older version are brought up, and that is cut off at random moments. */
async function cutOffMigrations(app, port, tries) {
  const old = new Database("old", port);
  old.start();
  const to = { CLERK_DB_URL: `jdbc:mariadb://127.0.0.1:${port}/clerk`, CLERK_MQTT_URL: "", CLERK_DEMO: "false" };
  app.launch({ ...to, SPRING_FLYWAY_TARGET: "15" });
  // It stops by itself: the tables are older than the application.
  await Promise.race([app.gone, rest(120_000)]);
  old.sql("INSERT INTO job (id, version, name, place, region, created_at) VALUES (UUID(), 0, 'Old Weir', '', 'EU_230', UTC_TIMESTAMP(6))");
  const guard = (what) =>
    execFileSync("bash", [join(ROOT, "scripts/backup.sh"), what, join(PLACE, "backups")], { env: { ...old.env, KEY_FILE: join(PLACE, "credential-keys") }, encoding: "utf8", stdio: ["ignore", "pipe", "inherit"] });
  const first = join(PLACE, "older.tar.gz");
  execFileSync("bash", ["-c", `cp "$(bash "${ROOT}/scripts/backup.sh" backup "${PLACE}/older" 2>/dev/null)" "${first}"`], { env: old.env });
  let cut = 0;
  for (let i = 0; i < tries; i++) {
    execFileSync("bash", [join(ROOT, "scripts/backup.sh"), "restore", first], { env: old.env, stdio: "ignore" });
    guard("before-upgrade");
    app.launch(to);
    // Killed once the history of migrations has begun to grow.
    const wanted = 15 + upTo(8);
    const end = Date.now() + 60_000;
    while (Date.now() < end && app.process.exitCode === null && Number(old.sql("SELECT COUNT(*) FROM flyway_schema_history")) <= wanted) {
      await rest(5 + upTo(15));
    }
    await app.kill();
    const version = Number(old.sql("SELECT COALESCE(MAX(CAST(version AS UNSIGNED)), 0) FROM flyway_schema_history WHERE success = 1"));
    const newest = Number(execFileSync("bash", ["-c", `ls "${ROOT}/app/src/main/resources/db/migration" | sed 's/^V\\([0-9]*\\)__.*/\\1/' | sort -n | tail -1`], { encoding: "utf8" }));
    cut += version < newest ? 1 : 0;
    guard("before-upgrade");
    await app.start(to);
    guard("after-upgrade");
    expect(old.sql("SELECT COUNT(*) FROM job WHERE name = 'Old Weir'") === "1", `migration ${i}: what was there is gone`);
    expect(Number(old.sql("SELECT MAX(CAST(version AS UNSIGNED)) FROM flyway_schema_history WHERE success = 1")) === newest, `migration ${i}: not all tables are new`);
    await app.kill();
  }
  old.stop();
  console.log(`migrations cut off ${cut} of ${tries} times before they were done: begun anew, nothing lost`);
}

rmSync(PLACE, { recursive: true, force: true });
mkdirSync(PLACE, { recursive: true });
const began = Date.now();
const database = new Database("day", await freePort());
const broker = new Broker(await freePort());
const app = new App(await freePort(), {
  CLERK_DEMO: "true",
  CLERK_DB_URL: `jdbc:mariadb://127.0.0.1:${database.port}/clerk`,
  CLERK_MQTT_URL: `tcp://127.0.0.1:${broker.port}`,
});
let failed;
try {
  database.start();
  broker.start();
  await app.start();
  if (!existsSync(ARCHIVE)) {
    await app.stop();
    await app.start();
  }
  const day = await openDay(new Person(app.base));
  console.log(`seed ${seedWanted}, ${ROUNDS} rounds`);
  await killings(app, database, broker, day);
  await clockJumps(app, database, day);
  await app.kill();
  database.stop();
  await diskFull(app, await freePort());
  await cutOffMigrations(app, await freePort(), Math.max(2, Math.round(ROUNDS / 20)));
} catch (error) {
  failed = error;
  console.log(`The run broke off: ${error.stack}`);
} finally {
  app.process?.kill("SIGKILL");
  broker.process?.kill("SIGKILL");
  for (const name of ["day", "small", "old"]) {
    execFileSync("bash", ["-c", `. "${ROOT}/scripts/db.sh"; db_stop`], { env: { ...process.env, RUN_DIR: join(PLACE, name) } });
  }
}
console.log(`wrong: ${wrong.length}, ${((Date.now() - began) / 60_000).toFixed(1)} min`);
process.exit(wrong.length > 0 || failed ? 1 : 0);

// Jobs as files from the command line: export, import, check. Talks to the running clerk, so that a file is judged as its API judges it.
// Exit codes: 0 in order; 1 refused, or a wiring that must not be built; 2 wrong use, or the clerk does not answer; 3 a wiring that needs a look.
import { readFile, writeFile } from "node:fs/promises";

const [base, command, ...rest] = process.argv.slice(2);
const headers = { Authorization: `Bearer ${process.env.CLERK_TOKEN}` };
const WIRING = "hidden-clerk/wiring";

function stop(code, words) {
  console.error(words);
  process.exit(code);
}

async function ask(path, options = {}) {
  let answer;
  try {
    answer = await fetch(base + path, { ...options, headers: { ...headers, ...options.headers } });
  } catch (error) {
    stop(2, `The clerk does not answer at ${base}: ${error.cause?.code ?? error.message}.`);
  }
  return answer;
}

async function json(path, options) {
  const answer = await ask(path, options);
  const body = await answer.json().catch(() => ({}));
  if (!answer.ok) {
    refused(body.title ?? `answered ${answer.status}`, body.errors ?? []);
  }
  return body;
}

function refused(title, errors) {
  stop(1, [title, ...errors.map((e) => `  ${e.pointer || "(whole file)"}: found ${e.found}; expected ${e.expected}`)].join("\n"));
}

async function read(file) {
  try {
    return await readFile(file);
  } catch {
    return stop(2, `The file ${file} cannot be read.`);
  }
}

const send = (body) => ({ method: "POST", headers: { "Content-Type": "application/json" }, body });

async function exportJob([wanted, file]) {
  const jobs = await json("/api/v1/jobs");
  const found = jobs.filter((job) => job.id === wanted || job.name === wanted);
  if (found.length === 0) {
    stop(1, `There is no job "${wanted}". There are: ${jobs.map((job) => job.name).join(", ") || "none"}.`);
  }
  const answer = await ask(`/api/v1/jobs/${found[0].id}/export`);
  if (!answer.ok) {
    stop(1, `The job could not be exported: ${answer.status}.`);
  }
  const bytes = Buffer.from(await answer.arrayBuffer());
  if (file) {
    await writeFile(file, bytes);
    console.error(`${found[0].name}: ${bytes.length} bytes, SHA-256 ${answer.headers.get("etag")?.replaceAll('"', "")}`);
  } else {
    process.stdout.write(bytes);
  }
}

function tell(outcome) {
  console.log(`${outcome.name}: ${outcome.isNew ? "a new job" : "replaces the job that is here"}`);
  for (const { part, added, changed, removed } of outcome.counts) {
    console.log(`  ${part}: ${added} added, ${changed} changed, ${removed} removed`);
  }
  outcome.notes.forEach((note) => console.log(`  ${note}`));
  if (outcome.refused.length > 0) {
    refused("Refused; nothing is stored:", outcome.refused);
  }
}

async function takeJob(file, apply) {
  const outcome = await json(`/api/v1/jobs/import?apply=${apply}`, send(await read(file)));
  tell(outcome);
  console.log(outcome.applied ? "Taken." : "Tried only: it would be taken. Add --apply to take it.");
}

async function check([file]) {
  const bytes = await read(file);
  let format;
  try {
    ({ format } = JSON.parse(bytes));
  } catch (error) {
    refused("This is not readable as JSON", [{ pointer: "", found: error.message, expected: "JSON in UTF-8" }]);
  }
  if (format !== WIRING) {
    tell(await json("/api/v1/jobs/import", send(bytes)));
    console.log("In order.");
    return;
  }
  const { verdict, findings } = await json("/api/v1/compute/wiring-check", send(bytes));
  console.log(verdict);
  findings.forEach((finding) => console.log(`  ${finding.severity} ${finding.code} ${finding.subject}: ${finding.reason}`));
  process.exit({ OK: 0, STOP: 1, HOLD: 3 }[verdict] ?? 1);
}

if (command === "export" && rest.length >= 1 && rest.length <= 2) {
  await exportJob(rest);
} else if (command === "import" && rest.length >= 1 && (rest.length === 1 || rest[1] === "--apply")) {
  await takeJob(rest[0], rest[1] === "--apply");
} else if (command === "check" && rest.length === 1) {
  await check(rest);
} else {
  stop(2, "usage: ./clerk export JOB [FILE] | ./clerk import FILE [--apply] | ./clerk check FILE");
}

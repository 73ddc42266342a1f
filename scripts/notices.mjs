// What ships inside the clerk, with its licences: NOTICES.md from the bill of materials of the Java side and from the
// packages of the pages. Called by `./clerk notices`; both are read, nothing is looked up elsewhere.
import { existsSync, readFileSync, readdirSync, writeFileSync } from "node:fs";
import { join } from "node:path";

const ROOT = join(import.meta.dirname, "..");
const MODULES = join(ROOT, "web/node_modules");

const read = (path) => JSON.parse(readFileSync(path, "utf8"));

/** Name, version and licence of every library of the Java side that is not our own. */
function libraries() {
  return read(join(ROOT, "app/target/classes/META-INF/sbom/application.cdx.json"))
    .components.filter((part) => part.group !== "org.hiddenclerk")
    .map((part) => ({
      name: part.group ? `${part.group}:${part.name}` : part.name,
      version: part.version,
      licence: (part.licenses ?? [])
        .map((each) => each.expression ?? each.license?.id ?? each.license?.name ?? "")
        .filter(Boolean)
        .join(", "),
    }));
}

/** The packages that the pages are built from, and what these need in their turn. */
function packages() {
  const found = new Map();
  const open = Object.keys(read(join(ROOT, "web/package.json")).dependencies);
  while (open.length > 0) {
    const name = open.pop();
    const path = join(MODULES, name, "package.json");
    if (found.has(name) || !existsSync(path)) {
      continue;
    }
    const own = read(path);
    const licence = typeof own.license === "string" ? own.license : (own.license?.type ?? "");
    found.set(name, { name, version: own.version, licence });
    open.push(...Object.keys(own.dependencies ?? {}));
  }
  return [...found.values()];
}

/** Copyright lines of a package's own licence file: most licences ask that they are passed on. */
function copyrights(name) {
  const directory = join(MODULES, name);
  const file = readdirSync(directory).find((each) => /^(licen[cs]e|copying)/i.test(each));
  return file === undefined
    ? []
    : readFileSync(join(directory, file), "utf8")
        .split("\n")
        .map((line) => line.trim())
        .filter((line) => /^(copyright|\(c\)|©)/i.test(line) && /\d{4}/.test(line));
}

const byName = (a, b) => (a.name < b.name ? -1 : a.name > b.name ? 1 : 0);
const row = (part) => `| ${part.name} | ${part.version} | ${part.licence || "not stated"} |`;
const table = (parts) => ["| what | version | licence |", "| --- | --- | --- |", ...parts.sort(byName).map(row)];

const pages = packages();
const lines = [
  "# What ships inside",
  "",
  "Written by `./clerk notices`; do not edit. The same as a bill of materials in CycloneDX 1.6, which that command puts into the",
  "application's archive as `META-INF/sbom/application.cdx.json`.",
  "",
  "## Fonts",
  "",
  "Atkinson Hyperlegible Next and Mono, and Bitter: SIL Open Font License 1.1. The text of the licence lies beside the files, in",
  "`app/src/main/resources/papers/fonts/LICENSE.txt`.",
  "",
  "## Libraries of the application",
  "",
  ...table(libraries()),
  "",
  "## Packages of the pages",
  "",
  ...table(pages),
  "",
  "## Who wrote the packages",
  "",
  ...pages.sort(byName).flatMap((part) => copyrights(part.name).map((line) => `- ${part.name}: ${line}`)),
  "",
];
writeFileSync(join(ROOT, "NOTICES.md"), lines.join("\n"));
console.log(`${lines.length} lines in NOTICES.md`);

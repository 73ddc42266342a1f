#!/usr/bin/env bash
# What the clerk is built from, by its lock files, and what is known against it: dependencies.sh. Asks the package registries; where they do
# not tell of weaknesses it says so and lists what is old, deprecated or has a newer release, for somebody to look up.
set -euo pipefail
cd "$(dirname "$0")/.."
echo "# npm, by web/package-lock.json"
node -e '
const lock = require("./web/package-lock.json").packages;
const named = Object.entries(lock).filter(([path, p]) => path && !p.link);
console.log(`${named.length} packages, ${named.filter(([, p]) => !p.dev).length} of them go to the browser; without a checksum: ${named.filter(([, p]) => !p.integrity).map(([path]) => path).join(", ") || "none"}`);
for (const [path, p] of named) if (p.deprecated) console.log(`deprecated: ${path} ${p.version}: ${p.deprecated}`);
'
(cd web && npm audit --omit=dev --audit-level=low 2>/dev/null) || echo "npm audit: the registry does not tell of weaknesses here, or there are some; run it where it does."
(cd web && npm outdated 2>/dev/null) || true
echo "# Maven, by the versions of pom.xml and of Spring Boot"
mvn -q -B dependency:list -DincludeScope=runtime -DoutputAbsoluteArtifactFilename=false -DoutputFile=/dev/stdout -pl core,standins,app 2>/dev/null | grep -E '^ +[a-z].*:(compile|runtime)' | sed 's/ -- .*//; s/^ *//' | sort -u | grep -v org.hiddenclerk

#!/usr/bin/env bash
# Called by `./clerk bench`: JMH with its reference in one run, then the served check against the running demo.
set -euo pipefail
cd "$(dirname "$0")/.."
classpath=bench/target/classes:$(cat bench/target/classpath.txt)
java -cp "$classpath" org.openjdk.jmh.Main -prof gc "$@"
java -cp "$classpath" org.hiddenclerk.bench.BesideSimulator
java -Xmx512m -cp "$classpath" org.hiddenclerk.bench.WholeHouse
java -Xmx256m -cp "$classpath" org.hiddenclerk.bench.JoinHouse
java -Xmx256m -cp "$classpath" org.hiddenclerk.bench.RulesBench
./clerk demo
port=$(cat .run/app.port)
token=$(./clerk token bench 2>.run/token.id)
trap './clerk token --revoke "$(grep -oE "[0-9a-f-]{36}" .run/token.id)" >/dev/null; rm -f .run/token.id' EXIT
java -cp "$classpath" org.hiddenclerk.bench.ServedCheck "http://127.0.0.1:$port" "$token"
node bench/served-papers.mjs "http://127.0.0.1:$port" "$token"

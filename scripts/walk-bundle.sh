#!/usr/bin/env bash
# Walks the bundles in .build/bundles as somebody would who has no tool chain: unpack, install, serve, save, upgrade, check, remove. Fails at the first thing that is not so.
set -euo pipefail
cd "$(dirname "$0")/.."
work="$(mktemp -d)"
port=$((20000 + RANDOM % 20000))
pid=
cleanup() { [ -z "$pid" ] || kill "$pid" 2>/dev/null || true; rm -rf "$work"; }
trap cleanup EXIT
fail() { echo "NOT SO: $*" >&2; exit 1; }
# Nothing of a tool chain: neither on the path nor named in the environment.
mkdir "$work/bin"
for tool in bash sh sed cut readlink dirname cat mkdir cp rm mv ln find chmod od tr date id tail uname curl tar; do ln -s "$(command -v "$tool")" "$work/bin/$tool"; done
bare() { env -i PATH="$work/bin" HOME="$work/home" "$@"; }
mkdir "$work/home"
! bare sh -c 'command -v dotnet || command -v node' || fail "a tool chain is on the path"
machine_of() { od -An -tu2 -j18 -N2 "$1" | tr -d ' '; }

archive() { ls -t .build/bundles/zealous-ember-*-"$1".tar.gz | head -n 1; }
unpack() { tar -C "$work" -xzf "$(archive "$1")"; basename "$(archive "$1")" .tar.gz; }

arm="$work/$(unpack linux-arm64)"
for file in "$arm/app/ZealousEmber.App" "$arm/app/"*.so; do [ "$(machine_of "$file")" = 183 ] || fail "$file is not for arm64"; done
x64="$work/$(unpack linux-x64)"
for file in "$x64/app/ZealousEmber.App" "$x64/app/"*.so; do [ "$(machine_of "$file")" = 62 ] || fail "$file is not for x64"; done

export DESTDIR="$work/root"
install() { bare DESTDIR="$DESTDIR" "$x64/install.sh" "$@"; }
ember() { bare EMBER_CONFIG="$DESTDIR/etc/zealous-ember.conf" "$DESTDIR/usr/local/bin/ember" "$@"; }
address="http://127.0.0.1:$port"
serve() {
  # Run in the place of the shell, so that its number is the program's own.
  (exec env -i PATH="$work/bin" HOME="$work/home" EMBER_CONFIG="$DESTDIR/etc/zealous-ember.conf" "$DESTDIR/usr/local/bin/ember" start) >"$work/log" 2>&1 &
  pid=$!
  local began
  began="$(date +%s%N)"
  for _ in $(seq 600); do curl -sf "$address/api/health" >/dev/null && { echo "answers after $((($(date +%s%N) - began) / 1000000)) ms"; return; }; kill -0 "$pid" 2>/dev/null || break; read -rt 0.1 <> <(:) || true; done
  cat "$work/log" >&2
  fail "it does not answer"
}
stop() { kill "$pid"; wait "$pid" || true; pid=; }

install --port "$port" >/dev/null
[ "$(ember version)" = "$(cat "$x64/VERSION")" ] || fail "version"
serve
curl -sf "$address/" | grep -q '<html' || fail "no page"
curl -sf -X POST "$address/api/kilns" -H 'content-type: application/json' -d '{"name":"Heron","class":"top-190"}' >/dev/null || fail "nothing can be saved"
ember check | grep -q 'is whole' || fail "check while it runs"
ember backup "$work/copy.db" >/dev/null
[ -s "$work/copy.db" ] || fail "no backup"
stop

install >/dev/null
[ "$(find "$DESTDIR/var/lib/zealous-ember/backups" -name 'before-*.db' | wc -l)" = 1 ] || fail "no backup before the upgrade"
serve
curl -sf "$address/api/kilns" | grep -q Heron || fail "the upgrade lost a kiln"
stop
ember restore "$work/copy.db" >/dev/null
ember check | grep -q 'nothing answers' || fail "check when it does not run"

bare DESTDIR="$DESTDIR" "$x64/install.sh" --uninstall >/dev/null
[ ! -e "$DESTDIR/opt/zealous-ember" ] && [ ! -e "$DESTDIR/usr/local/bin/ember" ] && [ ! -e "$DESTDIR/etc/zealous-ember.conf" ] || fail "something is left of the program"
[ -s "$DESTDIR/var/lib/zealous-ember/ember.db" ] || fail "the data is gone"
! bare DESTDIR="$DESTDIR" "$x64/install.sh" --port 99999 2>/dev/null || fail "a port that is none was taken"

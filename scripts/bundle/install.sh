#!/usr/bin/env bash
# Installs Zealous Ember as a service with a user of its own, or brings an installed one up to date, with a backup first.
#   sudo ./install.sh [--port 5080] [--data /var/lib/zealous-ember]
#   sudo ./install.sh --uninstall      takes the program away and keeps the data
# DESTDIR puts everything under another folder and touches neither users nor services: to look at what would be done.
set -euo pipefail
here="$(cd "$(dirname "$0")" && pwd)"
root="${DESTDIR:-}"
port=5080 data=/var/lib/zealous-ember user=zealous-ember uninstall=
said_port= said_data=
while [ $# -gt 0 ]; do
  case "$1" in
    --port) port="${2:?a port}" said_port=1; shift 2 ;;
    --data) data="${2:?a folder}" said_data=1; shift 2 ;;
    --uninstall) uninstall=1; shift ;;
    *) sed -n '2,5p' "$0" | cut -c3- >&2; exit 2 ;;
  esac
done
[[ "$port" =~ ^[0-9]+$ ]] && [ "$port" -ge 1 ] && [ "$port" -le 65535 ] || { echo "A port is a number from 1 to 65535." >&2; exit 2; }
case "$data" in /*) ;; *) echo "Name the data folder with its whole path." >&2; exit 2 ;; esac
[ -n "$root" ] || [ "$(id -u)" = 0 ] || { echo "Run it as root: sudo $0" >&2; exit 1; }

opt="$root/opt/zealous-ember"
config="$root/etc/zealous-ember.conf"
unit="$root/etc/systemd/system/zealous-ember.service"
command="$root/usr/local/bin/ember"
service() { [ -n "$root" ] || ! command -v systemctl >/dev/null || [ ! -d /run/systemd/system ] || systemctl "$@"; }

# What was said before stays, but where it is said anew.
if [ -r "$config" ]; then
  before_port="$(sed -n 's/^PORT=//p' "$config")" before_data="$(sed -n 's/^EMBER_DATA=//p' "$config")"
  [ -n "$said_port" ] || port="$before_port"
  [ -n "$said_data" ] || data="${before_data#"$root"}"
fi

if [ -n "$uninstall" ]; then
  service disable --now zealous-ember 2>/dev/null || true
  rm -rf "$opt" "$unit" "$command" "$config"
  service daemon-reload
  echo "Zealous Ember is gone. The studio's data is still in $root$data; install again with --data $data to go on with it."
  exit 0
fi

[ "$(od -An -tx1 -j18 -N1 "$here/app/ZealousEmber.App" | tr -d ' ')" = "$(od -An -tx1 -j18 -N1 "$(readlink -f /proc/self/exe)" | tr -d ' ')" ] ||
  [ -n "$root" ] || { echo "This bundle is for another kind of machine than this one ($(uname -m))." >&2; exit 1; }
version="$(cat "$here/VERSION")"
if [ -z "$root" ] && ! id "$user" >/dev/null 2>&1; then
  useradd --system --home-dir "$data" --shell /usr/sbin/nologin "$user"
fi
(umask 077 && mkdir -p "$root$data")
[ -n "$root" ] || chown "$user": "$data"
chmod 700 "$root$data"

service stop zealous-ember 2>/dev/null || true
if [ -x "$opt/current/ember" ] && [ -e "$root$data/ember.db" ]; then
  (umask 077 && mkdir -p "$root$data/backups")
  copy="$root$data/backups/before-$version-$(date +%Y%m%d-%H%M%S).db"
  EMBER_DATA="$root$data" "$opt/current/ember" backup "$copy"
  [ -n "$root" ] || chown -R "$user": "$data/backups"
fi
mkdir -p "$opt/$version" "$(dirname "$config")" "$(dirname "$unit")" "$(dirname "$command")"
# Under its final name only once it is whole; the one before stays until then.
rm -rf "$opt/.arriving"
mkdir "$opt/.arriving"
cp -r "$here/app" "$here/ember" "$here/install.sh" "$here/VERSION" "$opt/.arriving/"
chmod -R go+rX,go-w "$opt/.arriving"
rm -rf "${opt:?}/$version"
mv "$opt/.arriving" "$opt/$version"
ln -sfn "$version" "$opt/current"
find "$opt" -mindepth 1 -maxdepth 1 -type d ! -name "$version" -exec rm -rf {} +
printf 'PORT=%s\nEMBER_DATA=%s\n' "$port" "$root$data" >"$config"
ln -sfn "$opt/current/ember" "$command"
sed "s#@DATA@#$data#" "$here/zealous-ember.service" >"$unit"
service daemon-reload
service enable --now zealous-ember
echo "Zealous Ember $version is installed: http://127.0.0.1:$port on this machine. Its data is in $root$data; \`ember backup FILE\` copies it."

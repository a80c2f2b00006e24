# For ./demo and ./start: builds a copy of its own of what has changed, and serves a data folder with it. Sourced, from the project's root.
# The copy lies in .build/app; building or testing the project beside it changes nothing under a running program.

export DOTNET_CLI_TELEMETRY_OPTOUT=1 DOTNET_NOLOGO=1
app_copies=.build/app

need_tools() {
  local tool
  for tool in dotnet node npm; do
    command -v "$tool" >/dev/null || { echo "$0 needs $tool: the .NET 10 SDK and Node 20." >&2; exit 1; }
  done
}

# data_folder DEFAULT: sets EMBER_DATA to the whole path of the data folder, made where it is missing.
data_folder() {
  EMBER_DATA="${EMBER_DATA:-$1}"
  (umask 077 && mkdir -p "$EMBER_DATA")
  EMBER_DATA="$(cd "$EMBER_DATA" && pwd)"
  export EMBER_DATA
}

port_is_free() {
  if (exec 3<>"/dev/tcp/127.0.0.1/$PORT") 2>/dev/null; then
    echo "Something answers on port $PORT already; choose another: PORT=5081 $0" >&2
    exit 1
  fi
}

latest_copy() { cat "$app_copies/latest" 2>/dev/null; }

has_changed() {
  local copy
  copy="$(latest_copy)"
  [ -z "$copy" ] || [ ! -e "$copy/ZealousEmber.App.dll" ] ||
    [ -n "$(find src web scripts *.props global.json \( -name node_modules -o -name bin -o -name obj -o -name wwwroot -o -name .svelte-kit \) -prune -o -type f -newer "$app_copies/latest" -print -quit)" ]
}

# What checks the code belongs to ./test. Compiled for this machine where its package can be had, which starts in half the time; otherwise as usual.
publish() {
  local to="$1"
  shift
  dotnet publish src/ZealousEmber.App -c Release --artifacts-path "$PWD/.build/artifacts" -p:ForThisMachine=true -p:OpenApiGenerateDocuments=false -p:RunAnalyzers=false -p:EnforceCodeStyleInBuild=false -o "$to" -v quiet -clp:ErrorsOnly "$@"
}

# build_pages FOLDER: the pages, with their packages as locked.
build_pages() {
  (cd web && { [ node_modules/.package-lock.json -nt package-lock.json ] || npm ci --silent; } && EMBER_PAGES="$1" npm run --silent build) >.build/web.log 2>&1 || { cat .build/web.log >&2; return 1; }
}

build_copy() {
  has_changed || return 0
  echo "Building what has changed: the program, and beside it the pages. The first time takes a minute or two."
  local copy started pages
  mkdir -p "$app_copies"
  started="$(mktemp -p "$app_copies" .started.XXXXXX)"
  copy="$PWD/$app_copies/$(date +%s).$$"
  build_pages "$copy.pages" &
  pages=$!
  publish "$copy" --use-current-runtime --self-contained false -p:PublishReadyToRun=true >.build/publish.log 2>&1 ||
    { echo "Compiling for this machine could not be done; building as usual."; publish "$copy"; } || exit 1
  echo "The program is built; waiting for the pages."
  wait "$pages" || exit 1
  rm -rf "$copy/wwwroot"
  mv "$copy.pages" "$copy/wwwroot"
  # The time before the build: what was changed while it ran is built the next time.
  touch -r "$started" "$copy/.time"
  printf '%s' "$copy" >"$app_copies/latest"
  touch -r "$copy/.time" "$app_copies/latest"
  rm -f "$started"
  # A program that still runs from an older copy keeps it.
  find "$app_copies" -mindepth 1 -maxdepth 1 -type d ! -path "$app_copies/$(basename "$copy")" | while read -r old; do
    pgrep -f "$(basename "$old")/ZealousEmber.App.dll" >/dev/null || rm -rf "$old"
  done
}

serve() { exec dotnet "$(latest_copy)/ZealousEmber.App.dll" --contentRoot="$(latest_copy)" "$@"; }

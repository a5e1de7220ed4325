# What only the start script can show: a site of one's own in a folder that goes away again, its database and its application
# killed, and both brought back. Sourced by ./ysometron test once everything is built.
HOME_DIR=$(mktemp -d "${TMPDIR:-/tmp}/ysometron-site.XXXXXX")
export YSOMETRON_HOME=$HOME_DIR YSOMETRON_DETACH=1
dir=$HOME_DIR/site
trap 'stop_site site; rm -rf "$HOME_DIR"' EXIT

fails() { printf 'not ok: %s\n' "$1" >&2; tail -5 "$dir/app.log" >&2 2>/dev/null || true; exit 1; }
passes() { printf 'ok: %s\n' "$1"; }
has() { case $1 in *"$2"*) ;; *) fails "$3; what was said: $1" ;; esac }

# Signs in with a session of its own; sets STATUS, PAGE and TOOK in milliseconds.
sign_in() { # NAME PASSWORD
  local token begun
  rm -f "$HOME_DIR/cookies"
  token=$(curl -s --noproxy '*' -c "$HOME_DIR/cookies" "${address}sign-in" | sed -n 's/.*name="_csrf"[^>]*value="\([^"]*\)".*/\1/p' | head -1)
  begun=$(date +%s%N)
  PAGE=$(curl -s --noproxy '*' -L --max-time 20 -b "$HOME_DIR/cookies" -c "$HOME_DIR/cookies" -w '\nstatus %{http_code}' \
    --data-urlencode "username=$1" --data-urlencode "password=$2" --data-urlencode "_csrf=$token" "${address}sign-in") || true
  TOOK=$((($(date +%s%N) - begun) / 1000000))
  STATUS=${PAGE##*status }
}

said=$("$ROOT/ysometron" start)
address=$(cat "$dir/address")
account=$(printf '%s\n' "$said" | sed -n 's/^First account: \([^,]*\), password .*/\1/p')
password=$(printf '%s\n' "$said" | sed -n 's/^First account: .*, password \([^ ]*\) .*/\1/p')
[ -n "$password" ] || fails "the first account's password is shown; what was said: $said"
[ ! -e "$dir/first-account" ] || fails "the first password is kept nowhere"
sign_in "$account" "$password"
has "$PAGE" 'To the first certificate' "a new site says what comes first"
passes "a site starts with one account, whose password is shown once"

for file in database/password database/client.cnf; do
  [ "$(stat -c %a "$dir/$file")" = 600 ] || fails "$file is readable by its owner alone"
done
[ "$(stat -c %a "$dir/database")" = 700 ] || fails "the database's folder is the owner's alone"
port=$(cat "$dir/database/port")
for who in root '' mysql; do
  ! mariadb --no-defaults --protocol=tcp -h 127.0.0.1 -P "$port" -u "$who" -e 'select 1' >/dev/null 2>&1 || fails "'$who' cannot sign in by the port"
  ! mariadb --no-defaults --socket="$dir/database/socket" -u "$who" -e 'select 1' >/dev/null 2>&1 || fails "'$who' cannot sign in by the socket"
done
passes "the database knows nobody but the application"

kill -KILL "$(cat "$dir/database/pid")"
sign_in "$account" "$password"
[ "$STATUS" = 503 ] || fails "with its database away a site answers 503, not $STATUS"
has "$PAGE" 'othing that was stored is lost' "it says that nothing is lost"
[ "$TOOK" -lt 3000 ] || fails "it says so within 3 s, not $TOOK ms"
passes "with its database killed a site says so in $TOOK ms"
has "$("$ROOT/ysometron" start)" 'it is back' "start brings the database back"
[ "$(cat "$dir/database/port")" = "$port" ] || fails "the database comes back on its port"
sign_in "$account" "$password"
[ "$STATUS" = 200 ] || fails "the site goes on after its database came back, not $STATUS"
passes "start brings a killed database back under the running site"

pid=$(cat "$dir/app.pid")
kill -KILL "$pid"
while [ -d "/proc/$pid" ]; do sleep 0.1; done
said=$("$ROOT/ysometron" start)
[ "$(cat "$dir/address")" = "$address" ] || fails "a killed application comes back at its address, not at $(cat "$dir/address"): $said"
sign_in "$account" "$password"
[ "$STATUS" = 200 ] || fails "a killed application goes on where it was"
passes "start brings a killed application back at its address"

mkdir -p "$HOME_DIR/demo/database/data"
echo precious >"$HOME_DIR/demo/database/data/kept"
! "$ROOT/ysometron" reset-demo </dev/null >/dev/null 2>&1 || fails "reset-demo asks first"
! YSOMETRON_PORT=$(free_port 8620) "$ROOT/ysometron" demo >/dev/null 2>&1 || fails "data that are no database are not overwritten"
[ -e "$HOME_DIR/demo/database/data/kept" ] || fails "nothing is removed that was not made empty"
"$ROOT/ysometron" reset-demo --yes >/dev/null
[ ! -e "$HOME_DIR/demo" ] || fails "reset-demo --yes removes the demo"
passes "nothing is removed that was not made empty, or asked for"

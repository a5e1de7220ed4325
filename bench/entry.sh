# Twenty stations typing at once, each into a lot of its own; sourced by ./ysometron bench entry. The site is one of its
# own, begun anew each time, so that every run types into the same lots.
command -v node >/dev/null || die "node is missing"
mkdir -p "$HOME_DIR"
figures=$HOME_DIR/bench-entry
: >"$figures"
site=bench-entry-site
dir=$HOME_DIR/$site
stop_site "$site"
rm -rf "$dir"
mkdir -p "$dir"
trap 'stop_site "$site"' EXIT
database_start "$site"
port=$(free_port 8620)
say "Starting a site for twenty stations ..."
SPRING_DATASOURCE_PASSWORD=$DB_PASSWORD setsid java -XX:+UseSerialGC -Xmx768m -jar "$SERVED/app-0.1.0.jar" --server.port="$port" \
  --spring.datasource.url="jdbc:mariadb://127.0.0.1:$DB_PORT/ysometron" --ysometron.demo=true >"$dir/app.log" 2>&1 </dev/null &
pid=$!
echo $pid >"$dir/app.pid"
until grep -q '^Ysometron is ready' "$dir/app.log" 2>/dev/null; do
  kill -0 $pid 2>/dev/null || die "the site stopped while starting; see $dir/app.log"
  sleep 0.5
done
node bench/entry.mjs "http://127.0.0.1:$port" "${1:-60}" >>"$figures"
printf 'entry_server_memory %s MB\n' "$(awk '/VmRSS/ {print int($2 / 1024)}' "/proc/$pid/status")" >>"$figures"
grep -c 'ERROR' "$dir/app.log" | sed 's/^/entry_errors_in_log /;s/$/ lines/' >>"$figures" || true
stop_site "$site"
trap - EXIT
cat "$figures"

# Times the gate, evidence, drift, calendar and plan pages at 30, 500 and 5,000 lots; sourced by ./ysometron bench pages.
# Each size has a site of its own in the home folder, kept between runs, so that only the first run loads the lots.
command -v node >/dev/null || die "node is missing"
mkdir -p "$HOME_DIR"
figures=$HOME_DIR/bench-pages
: >"$figures"
for size in ${1:-30 500 5000}; do
  site=bench-$size
  dir=$HOME_DIR/$site
  mkdir -p "$dir"
  trap 'stop_site "$site"' EXIT
  database_start "$site"
  port=$(free_port 8520)
  say "Starting a site of $size lots (the first time loads them) ..."
  SPRING_DATASOURCE_PASSWORD=$DB_PASSWORD setsid java -XX:+UseSerialGC -Xmx768m -jar "$SERVED/app-0.1.0.jar" --server.port="$port" \
    --spring.datasource.url="jdbc:mariadb://127.0.0.1:$DB_PORT/ysometron" --ysometron.demo=true --ysometron.demo-lots="$size" \
    >"$dir/app.log" 2>&1 </dev/null &
  pid=$!
  echo $pid >"$dir/app.pid"
  until grep -q '^Ysometron is ready' "$dir/app.log" 2>/dev/null; do
    kill -0 $pid 2>/dev/null || die "the site stopped while starting; see $dir/app.log"
    sleep 0.5
  done
  node bench/pages.mjs "http://127.0.0.1:$port" "$size" >>"$figures"
  stop_site "$site"
  trap - EXIT
done
cat "$figures"

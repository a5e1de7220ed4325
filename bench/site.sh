# A site of its own with the demo in it, begun anew each time, so that every run meets the same; sourced by benchmarks.
# Leaves its address in $address and its process in $pid.
site_of_its_own() { # NAME FIRST_PORT
  command -v node >/dev/null || die "node is missing"
  mkdir -p "$HOME_DIR"
  site=$1
  dir=$HOME_DIR/$site
  stop_site "$site"
  rm -rf "$dir"
  mkdir -p "$dir"
  trap 'stop_site "$site"' EXIT
  database_start "$site"
  local port; port=$(free_port "$2")
  address=http://127.0.0.1:$port
  SPRING_DATASOURCE_PASSWORD=$DB_PASSWORD setsid java -XX:+UseSerialGC -Xmx768m -jar "$SERVED/app-0.1.0.jar" --server.port="$port" \
    --spring.datasource.url="jdbc:mariadb://127.0.0.1:$DB_PORT/ysometron" --ysometron.demo=true >"$dir/app.log" 2>&1 </dev/null &
  pid=$!
  echo $pid >"$dir/app.pid"
  until grep -q '^Ysometron is ready' "$dir/app.log" 2>/dev/null; do
    kill -0 $pid 2>/dev/null || die "the site stopped while starting; see $dir/app.log"
    sleep 0.5
  done
}

# Its memory and the errors in its log, as figures; then it is stopped.
site_ends() { # PREFIX FIGURES
  printf '%s_server_memory %s MB\n' "$1" "$(awk '/VmRSS/ {print int($2 / 1024)}' "/proc/$pid/status")" >>"$2"
  grep -c 'ERROR' "$dir/app.log" | sed "s/^/$1_errors_in_log /;s/\$/ lines/" >>"$2" || true
  stop_site "$site"
  trap - EXIT
}

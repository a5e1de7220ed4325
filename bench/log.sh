# Reads a diameter log of a million rows as the application does (streamed in, analysed, stored) and as R does (read.csv,
# mean, sd, fft; nothing stored), on the same file in one run; sourced by ./ysometron bench log. R is installed for this
# benchmark alone. Also sends ten million rows and tells the server's memory after each.
command -v node >/dev/null || die "node is missing"
ensure_command Rscript r-base-core
site=bench-log
dir=$HOME_DIR/$site
mkdir -p "$dir"
node bench/log.mjs make "$dir/log-1.csv" 1000000
node bench/log.mjs make "$dir/log-10.csv" 10000000
trap 'stop_site "$site"' EXIT
database_start "$site"
port=$(free_port 8540)
say "Starting a site of its own (the first time loads the demo) ..."
SPRING_DATASOURCE_PASSWORD=$DB_PASSWORD setsid java -XX:+UseSerialGC -Xmx768m -jar "$SERVED/app-0.1.0.jar" --server.port="$port" \
  --spring.datasource.url="jdbc:mariadb://127.0.0.1:$DB_PORT/ysometron" --ysometron.demo=true \
  >"$dir/app.log" 2>&1 </dev/null &
pid=$!
echo $pid >"$dir/app.pid"
until grep -q '^Ysometron is ready' "$dir/app.log" 2>/dev/null; do
  kill -0 $pid 2>/dev/null || die "the site stopped while starting; see $dir/app.log"
  sleep 0.5
done
resident() { awk '/VmRSS/ {print int($2 / 1024)}' "/proc/$pid/status"; }
ours=$(node bench/log.mjs send "http://127.0.0.1:$port" "$dir/log-1.csv" 7)
after_one=$(resident)
ten=$(node bench/log.mjs send "http://127.0.0.1:$port" "$dir/log-10.csv" 1 | tail -1)
after_ten=$(resident)
stop_site "$site"
trap - EXIT
theirs=$(for _ in 1 2 3 4 5; do Rscript bench/log.R "$dir/log-1.csv"; done)
middle() { sort -n | awk '{v[NR] = $1} END {print v[int((NR + 1) / 2)]}'; }
printf 'log_1m_first %s ms\n' "$(head -1 <<<"$ours")"
printf 'log_1m_median %s ms\n' "$(tail -n +3 <<<"$ours" | middle)"
printf 'log_1m_R_median %s ms\n' "$(middle <<<"$theirs")"
printf 'log_10m %s ms\n' "$ten"
printf 'log_memory_after_1m %s MB\n' "$after_one"
printf 'log_memory_after_10m %s MB\n' "$after_ten"

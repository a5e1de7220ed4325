# Times every series at a glance over 500 series and 100,000 lot results; sourced by ./ysometron bench glance.
# The site is one of its own in the home folder, kept between runs.
command -v node >/dev/null || die "node is missing"
site=bench-glance
dir=$HOME_DIR/$site
mkdir -p "$dir"
trap 'stop_site "$site"' EXIT
database_start "$site"
port=$(free_port 8520)
say "Starting a site of 250 lots (the first time loads them) ..."
SPRING_DATASOURCE_PASSWORD=$DB_PASSWORD setsid java -XX:+UseSerialGC -Xmx768m -jar "$SERVED/app-0.1.0.jar" --server.port="$port" \
  --spring.datasource.url="jdbc:mariadb://127.0.0.1:$DB_PORT/ysometron" --ysometron.demo=true --ysometron.demo-lots=250 \
  >"$dir/app.log" 2>&1 </dev/null &
pid=$!
echo $pid >"$dir/app.pid"
until grep -q '^Ysometron is ready' "$dir/app.log" 2>/dev/null; do
  kill -0 $pid 2>/dev/null || die "the site stopped while starting; see $dir/app.log"
  sleep 0.5
done
if [ ! -e "$dir/filled" ]; then
  MYSQL_PWD=$DB_PASSWORD mariadb --protocol=tcp -h 127.0.0.1 -P "$DB_PORT" -u ysometron ysometron <bench/glance.sql
  touch "$dir/filled"
fi
node bench/glance.mjs "http://127.0.0.1:$port"
stop_site "$site"
trap - EXIT

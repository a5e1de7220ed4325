# Times the page of a chart with 10,000 lots in its series, beside one of 30; sourced by ./ysometron bench chart.
site_of_its_own bench-chart 8540
say "Filling a series with 10,000 lots ..."
series=$(MYSQL_PWD=$DB_PASSWORD mariadb --protocol=tcp -h 127.0.0.1 -P "$DB_PORT" -u ysometron -N ysometron <bench/chart.sql | tail -1)
node bench/chart.mjs "$address" "$series"
stop_site "$site"
trap - EXIT

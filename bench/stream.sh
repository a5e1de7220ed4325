# Four instruments that stream a thousand points a second each into one bench; sourced by ./ysometron bench stream.
. bench/site.sh
figures=$HOME_DIR/bench-stream
say "Starting a site for streams ..."
site_of_its_own bench-stream-site 8660
browser_classes
: >"$figures"
PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD=1 java -cp "$CLASSES" org.ysometron.app.web.StreamBench "${address##*:}" "${1:-20}" | grep '^stream_' >>"$figures"
site_ends stream "$figures"
cat "$figures"

# Twenty stations typing at once, each into a lot of its own; sourced by ./ysometron bench entry.
. bench/site.sh
figures=$HOME_DIR/bench-entry
say "Starting a site for twenty stations ..."
site_of_its_own bench-entry-site 8620
: >"$figures"
node bench/entry.mjs "$address" "${1:-60}" >>"$figures"
site_ends entry "$figures"
cat "$figures"

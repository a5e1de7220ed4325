# A hundred records of 20,000 points each, from files to curves; sourced by ./ysometron bench records.
. bench/site.sh
figures=$HOME_DIR/bench-records
say "Starting a site for records ..."
site_of_its_own bench-records-site 8640
: >"$figures"
node bench/records.mjs "$address" >>"$figures"
site_ends records "$figures"
cat "$figures"

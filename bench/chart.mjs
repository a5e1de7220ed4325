// The page of a chart: its newest lots of 10,000, lots in the middle, and the same page of the demo's own series.
import { open, signIn, time } from "./asking.mjs";

const [, , base, series] = process.argv;
const cookie = await signIn(base);
const page = `/products/skerry-bf10/drift?series=${series}`;
for (let i = 0; i < 100; i++) {
  await open(base, cookie, page);
}
await time(base, cookie, page, "chart_10000_lots");
await time(base, cookie, `${page}&to=5000`, "chart_10000_lots_in_the_middle");
await time(base, cookie, "/products/skerry-bf10/drift?series=2", "chart_30_lots");

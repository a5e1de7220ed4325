// Every series at a glance over some 500 series and 100,000 lot results: made anew once, then asked as often as a page is.
import { open, signIn, time } from "./asking.mjs";

const [, , base] = process.argv;
const cookie = await signIn(base);
const [anew] = await open(base, cookie, "/drift");
console.log(`glance_anew ${anew.toFixed(0)} ms`);
for (let i = 0; i < 100; i++) {
  await open(base, cookie, "/drift");
}
await time(base, cookie, "/drift", "glance_500_series");
await time(base, cookie, "/drift?state=QUIET&page=2", "glance_500_series_page_3");

// Asks each page 200 times, one after another, and prints what a person would wait; before, all of them in turn until the server
// is warm. The first of them is a static file of the same server: what the machine and the way to it cost.
import { open, signIn, time } from "./asking.mjs";

const WARMING = 100;
const [, , base, size] = process.argv;
const newest = `SK-${String(100 + Number(size)).padStart(4, "0")}`;

const cookie = await signIn(base);
const series = await fetch(`${base}/products/skerry-bf10/drift`, { headers: { cookie } }).then((r) => r.text());
const upright = series.match(/<option[^>]*value="(\d+)"[^>]*>Tensile strength, ZX upright/)[1];
const pages = {
  static: "/ysometron.css",
  gate: "/",
  evidence: `/lots/${newest}/evidence`,
  drift: `/products/skerry-bf10/drift?series=${upright}`,
  glance: "/drift",
  claims: "/products/skerry-bf10/claims-by-lots",
  calendar: "/calendar",
  plan: `/lots/${newest}/plan`,
  product_plan: "/products/skerry-bf10/plan",
};
// A server that has just started works at a fraction of its speed until what is asked often is compiled.
for (let i = 0; i < WARMING; i++) {
  for (const path of Object.values(pages)) {
    await open(base, cookie, path);
  }
}
for (const [name, path] of Object.entries(pages)) {
  await time(base, cookie, path, `${name}_${size}`);
}

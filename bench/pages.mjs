// Asks each page 200 times, one after another, and prints what a person would wait; before, all of them in turn until the server
// is warm. The first of them is a static file of the same server: what the machine and the way to it cost.
const WARMING = 100;
const [, , base, size] = process.argv;
const newest = `SK-${String(100 + Number(size)).padStart(4, "0")}`;

async function signIn() {
  const form = await fetch(`${base}/sign-in`);
  const cookie = form.headers.get("set-cookie").split(";")[0];
  const token = (await form.text()).match(/name="_csrf"[^>]*value="([^"]+)"/)[1];
  const answer = await fetch(`${base}/sign-in`, {
    method: "POST",
    redirect: "manual",
    headers: { cookie, "content-type": "application/x-www-form-urlencoded" },
    body: new URLSearchParams({ username: "quality", password: "quality", _csrf: token }),
  });
  return answer.headers.get("set-cookie").split(";")[0];
}

const cookie = await signIn();
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
async function open(path) {
  const start = performance.now();
  const answer = await fetch(base + path, { headers: { cookie } });
  const body = await answer.text();
  if (answer.status !== 200) throw new Error(`${path} answered ${answer.status}`);
  return [performance.now() - start, Buffer.byteLength(body)];
}

// A server that has just started works at a fraction of its speed until what is asked often is compiled.
for (let i = 0; i < WARMING; i++) {
  for (const path of Object.values(pages)) {
    await open(path);
  }
}
for (const [name, path] of Object.entries(pages)) {
  const times = [];
  let bytes = 0;
  for (let i = 0; i < 200; i++) {
    const [took, size] = await open(path);
    bytes = size;
    times.push(took);
  }
  times.sort((a, b) => a - b);
  const at = (share) => times[Math.ceil(share * times.length) - 1].toFixed(1);
  const figure = `${name}_${size}`;
  console.log(`${figure}_median ${at(0.5)} ms`);
  console.log(`${figure}_p95 ${at(0.95)} ms`);
  console.log(`${figure}_size ${(bytes / 1024).toFixed(0)} kB`);
}

// A hundred files of 20,000 points: sent, looked at, stored, and their curves asked for. Usage: node records.mjs ADDRESS
// Prints 'name value unit' lines. The first hundred warm the server up and are said too.
const address = process.argv[2];
const POINTS = 20_000;
let cookie = "";
let token = "";

async function ask(path, body) {
  const headers = { Cookie: cookie, Origin: address };
  const form = body && !(body instanceof FormData) ? new URLSearchParams({ ...body, _csrf: token }) : body;
  if (form instanceof FormData) {
    form.set("_csrf", token);
  }
  const answer = await fetch(address + path, { headers, redirect: "manual", ...(form ? { method: "POST", body: form } : {}) });
  for (const set of answer.headers.getSetCookie()) {
    cookie = set.split(";")[0];
  }
  const text = await answer.text();
  token = /name="_csrf"[^>]*value="([^"]+)"/.exec(text)?.[1] ?? token;
  return { status: answer.status, text, to: answer.headers.get("location") ?? "" };
}

const expect = (answer, status, what) => {
  if (answer.status !== status) {
    throw new Error(`${what}: ${answer.status} instead of ${status}`);
  }
  return answer;
};
const say = (name, value, unit) => console.log(`${name} ${Math.round(value * 10) / 10} ${unit}`);

/** Noise that is the same in every run. */
function noise(seed) {
  let state = seed;
  return () => {
    state = (state * 1664525 + 1013904223) % 4294967296;
    return state / 4294967296 - 0.5;
  };
}

function record(seed) {
  const chance = noise(seed);
  const force = 780 + (seed % 50);
  const rows = ["time [s];force [N];extension [mm]"];
  for (let i = 0; i < POINTS; i++) {
    const share = i / (POINTS - 1);
    const strain = (share * force) / 16 / 2600 + 0.004 * share ** 10;
    rows.push(`${(i * 0.001).toFixed(3)};${(share * force + 0.4 * chance()).toFixed(2)};${(strain * 25).toFixed(5)}`);
  }
  for (let i = 0; i < 50; i++) {
    rows.push(`${((POINTS + i) * 0.001).toFixed(3)};${(0.4 * chance()).toFixed(2)};${(0.9 + i * 0.001).toFixed(5)}`);
  }
  return rows.join("\n");
}

await ask("/sign-in");
await ask("/sign-in", { username: "bench", password: "bench" });

for (const turn of ["warming", "stored"]) {
  const code = `R-${turn}-${Date.now() % 1e6}`;
  await ask("/lots/new");
  const day = new Date(Date.now() - 864e5).toISOString().slice(0, 10);
  expect(await ask("/lots/new", { code, product: "skerry-bf10|natural", madeOn: day }), 302, "the lot");
  for (const count of ["60", "40"]) {
    await ask(`/lots/${code}`);
    expect(
      await ask(`/lots/${code}/sets`, { request: crypto.randomUUID(), method: "tension", orientation: "XY", conditioning: "DRY", rate: "5 mm/min", count }),
      302,
      "a set",
    );
  }
  const labels = Array.from({ length: 100 }, (_, i) => `XY${i + 1}`);
  const page = (await ask(`/lots/${code}/records`)).text;
  const gauge = /<option value="(\d+)"[^>]*>[^<]*load cell/.exec(page)?.[1] ?? "2";
  await ask(`/lots/${code}/import`);
  const sizes = new FormData();
  sizes.set("pasted", `specimen,width_1 [mm],thickness_1 [mm]\n${labels.map((label) => `${label},4.01,3.99`).join("\n")}`);
  sizes.set("gauge", gauge);
  const preview = expect(await ask(`/lots/${code}/import`, sizes), 302, "the sizes").to;
  await ask(preview.replace(address, ""));
  expect(await ask(preview.replace(address, ""), {}), 302, "the sizes taken");
  const form = new FormData();
  labels.forEach((label, i) => form.append("files", new Blob([record(i + (turn === "stored" ? 1000 : 1))]), `${code}-${label}.csv`));
  for (const [name, value] of Object.entries({ method: "tension", by: "EXTENSOMETER", second: "NONE", gauge })) {
    form.set(name, value);
  }
  await ask(`/lots/${code}/records`);
  const begun = performance.now();
  const staged = expect(await ask(`/lots/${code}/records`, form), 302, "the files").to.replace(address, "");
  const sent = performance.now();
  const looked = expect(await ask(staged), 200, "the look");
  const seen = performance.now();
  const chosen = { _: "" };
  for (const [, key] of looked.text.matchAll(/name="s-([0-9-]+)"/g)) {
    const options = new RegExp(`name="s-${key}".*?</select>`, "s").exec(looked.text)[0];
    chosen[`s-${key}`] = /value="([^"]+)" selected/.exec(options)?.[1] ?? "";
  }
  const before = performance.now();
  expect(await ask(staged, chosen), 302, "the store");
  const stored = performance.now();
  say(`records_100_${turn}_sent`, sent - begun, "ms");
  say(`records_100_${turn}_looked_at`, seen - sent, "ms");
  say(`records_100_${turn}_analysed_and_stored`, stored - before, "ms");
  const list = (await ask(`/lots/${code}/records`)).text;
  const sets = [...list.matchAll(/<option value="([0-9]+-E)"/g)].map(([, set]) => set);
  const times = [];
  for (let i = 0; i < 5; i++) {
    const asked = performance.now();
    let size = 0;
    for (const set of sets) {
      size += expect(await ask(`/lots/${code}/records/sets/${set}`), 200, "the curves").text.length;
    }
    times.push([performance.now() - asked, size]);
  }
  times.sort((a, b) => a[0] - b[0]);
  say(`records_100_${turn}_curves`, times[0][0], "ms");
  say(`records_100_${turn}_curves_size`, times[0][1] / 1024, "kB");
}

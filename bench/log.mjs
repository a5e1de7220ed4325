// make FILE ROWS: writes a diameter log with a wobble and a step. send BASE FILE TIMES: streams it in, each time to a lot of
// its own, and prints the milliseconds from the first byte sent to the answer that all is stored.
import { createWriteStream, existsSync, openAsBlob } from "node:fs";
import { randomUUID } from "node:crypto";
import { once } from "node:events";

const [, , verb, ...rest] = process.argv;

async function make(file, rows) {
  if (existsSync(file)) return;
  const out = createWriteStream(file);
  out.write("position [mm],x [mm],y [mm]\n");
  let seed = 1;
  const chance = () => (seed = (seed * 48271) % 2147483647) / 2147483647 - 0.5;
  for (let i = 0; i < rows; ) {
    let text = "";
    for (const end = Math.min(rows, i + 10000); i < end; i++) {
      const d = 1.75 + 0.008 * Math.sin((2 * Math.PI * i) / 76) + 0.014 * chance() + (i > 0.62 * rows ? 0.012 : 0);
      text += `${(i * 0.5).toFixed(1)},${(d + 0.006 + 0.01 * chance()).toFixed(4)},${(d - 0.006 + 0.01 * chance()).toFixed(4)}\n`;
    }
    if (!out.write(text)) await once(out, "drain");
  }
  out.end();
  await once(out, "finish");
}

async function send(base, file, times) {
  let cookie = "";
  const ask = async (path, options = {}) => {
    const answer = await fetch(base + path, { redirect: "manual", ...options, headers: { cookie, ...options.headers } });
    const given = answer.headers.get("set-cookie");
    if (given) cookie = given.split(";")[0];
    return answer;
  };
  const token = async (path) => (await (await ask(path)).text()).match(/name="_csrf"[^>]*value="([^"]+)"/)[1];
  const form = { "content-type": "application/x-www-form-urlencoded" };
  const signIn = new URLSearchParams({ username: "bench", password: "bench", _csrf: await token("/sign-in") });
  await ask("/sign-in", { method: "POST", headers: form, body: signIn });
  for (let i = 0; i < times; i++) {
    const code = `B-${randomUUID().slice(0, 8)}`;
    const csrf = await token("/lots/new");
    const lot = new URLSearchParams({ code, product: "dunlin-c2|fern", madeOn: "2026-01-02", _csrf: csrf });
    await ask("/lots/new", { method: "POST", headers: form, body: lot });
    const body = await openAsBlob(file);
    const begun = performance.now();
    const answer = await ask(`/lots/${code}/logs/stream?job=${randomUUID()}&name=log.csv`, {
      method: "POST",
      headers: { "content-type": "application/octet-stream", "X-CSRF-TOKEN": csrf },
      body,
      duplex: "half",
    });
    const said = await answer.json();
    if (said.state !== "done") throw new Error(`${answer.status} ${JSON.stringify(said)}`);
    console.log(Math.round(performance.now() - begun));
  }
}

await (verb === "make" ? make(rest[0], +rest[1]) : send(rest[0], rest[1], +rest[2]));

// Twenty stations, each with a session and a lot of its own. Usage: node entry.mjs ADDRESS SECONDS
// Prints 'name value unit' lines, those of the warming up first. Bounded: SECONDS at one reading a second, then a third of that without a pause, per size.
const [address, seconds] = [process.argv[2], Number(process.argv[3] ?? 60)];
const STATIONS = 20;

class Station {
  constructor(number) {
    this.number = number;
    this.cookie = "";
    this.token = "";
  }

  async ask(path, fields, fragment = false) {
    const headers = { Cookie: this.cookie, Origin: address };
    if (fragment) {
      headers["HX-Request"] = "true";
    }
    const options = { headers, redirect: "manual" };
    if (fields) {
      options.method = "POST";
      headers["Content-Type"] = "application/x-www-form-urlencoded";
      options.body = new URLSearchParams({ ...fields, _csrf: this.token }).toString();
    }
    const answer = await fetch(address + path, options);
    for (const set of answer.headers.getSetCookie()) {
      this.cookie = set.split(";")[0];
    }
    const text = await answer.text();
    this.token = /name="_csrf"[^>]*value="([^"]+)"/.exec(text)?.[1] ?? this.token;
    return { status: answer.status, text };
  }

  async enter() {
    await this.ask("/sign-in");
    await this.ask("/sign-in", { username: "bench", password: "bench" });
    await this.ask("/lots/new");
  }

  async lot(size) {
    this.code = `E${size}-${this.number}-${Date.now() % 1e6}`;
    const day = new Date(Date.now() - 864e5).toISOString().slice(0, 10);
    const made = await this.ask("/lots/new", { code: this.code, product: "skerry-bf10|natural", madeOn: day });
    if (made.status !== 302) {
      throw new Error(`lot ${this.code}: ${made.status}`);
    }
    // Three methods side by side, as on a bench: bars and pins in the calipers, hooks on the gauge.
    const third = Math.ceil(size / 3);
    for (const method of ["tension", "double-shear", "part-load"]) {
      for (let left = third; left > 0; left -= 60) {
        await this.ask(`/lots/${this.code}`);
        await this.ask(`/lots/${this.code}/sets`, {
          request: crypto.randomUUID(), method, orientation: "XY", conditioning: "DRY", rate: "5 mm/min", count: String(Math.min(60, left)),
        });
      }
    }
    await this.ask(`/lots/${this.code}/bench`);
    await this.ask(`/lots/${this.code}/bench/confirmation`, { method: "part-load", confirmed: ["0", "1", "2", "3"] });
    const page = (await this.ask(`/lots/${this.code}/bench?method=part-load&step=break`)).text;
    this.gauge = /<option value="(\d+)"[^>]*>[^<]*(?:load cell|gauge)/.exec(page)?.[1] ?? "2";
    const readings = [];
    for (let i = 1; i <= third; i++) {
      const size = (nominal) => (nominal + ((i * 7) % 5) / 100).toFixed(2);
      for (const field of ["width-1", "width-2", "width-3", "thickness-1", "thickness-2", "thickness-3"]) {
        readings.push([`XY${i}`, field, size(4)]);
      }
      for (const field of ["diameter-1", "diameter-2", "diameter-3", "diameter-4"]) {
        readings.push([`XY${third + i}`, field, size(5)]);
      }
      // No two alike: the bench asks whether a display still held the peak of the specimen before.
      readings.push([`XY${2 * third + i}`, "force-1", `${(500 + (i * STATIONS + this.number) * 0.7).toFixed(1)} N`]);
    }
    this.todo = readings;
  }

  async type(times, errors) {
    const next = this.todo.shift();
    if (!next) {
      return false;
    }
    const [specimen, field, typed] = next;
    const begun = performance.now();
    const answer = await this.ask(`/lots/${this.code}/bench`, {
      specimen, field, typed, gauge: this.gauge, ...(field.startsWith("force") ? { outcome: "BROKE" } : {}),
    }, true);
    times.push(performance.now() - begun);
    if (answer.status !== 200) {
      errors.push(`${specimen} ${field}: ${answer.status}`);
    }
    return true;
  }
}

const at = (sorted, share) => sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))];
const say = (name, value, unit) => console.log(`${name} ${Math.round(value * 10) / 10} ${unit}`);

// A server that has just started works at a fraction of its speed until what is asked often is compiled.
const WARMING = 20;
const stations = Array.from({ length: STATIONS }, (_, i) => new Station(i));
for (const station of stations) {
  await station.enter();
}
const sizes = (process.argv[4] ?? "15,120").split(",").map(Number);
for (const size of [0, ...sizes]) {
  for (const pause of size === 0 ? [false] : [true, false]) {
    for (const station of stations) {
      await station.lot(size || sizes[0]);
    }
    const times = [];
    const errors = [];
    const length = (size === 0 ? WARMING : pause ? seconds : seconds / 3) * 1000;
    const begun = performance.now();
    await Promise.all(
      stations.map(async (station) => {
        if (pause) {
          await new Promise((done) => setTimeout(done, (1000 / STATIONS) * station.number));
        }
        while (performance.now() - begun < length) {
          const turn = performance.now();
          if (!(await station.type(times, errors))) {
            break;
          }
          if (pause) {
            await new Promise((done) => setTimeout(done, Math.max(0, 1000 - (performance.now() - turn))));
          }
        }
      }),
    );
    const took = (performance.now() - begun) / 1000;
    times.sort((a, b) => a - b);
    const name = size === 0 ? "entry_warming" : `entry_${size}_${pause ? "paced" : "flat_out"}`;
    say(`${name}_readings`, times.length, "readings");
    say(`${name}_median`, at(times, 0.5), "ms");
    say(`${name}_p95`, at(times, 0.95), "ms");
    say(`${name}_rate`, times.length / took, "per s");
    say(`${name}_errors`, errors.length, "errors");
    errors.slice(0, 3).forEach((error) => console.error(name, error));
  }
}

// Connected instruments beside the bench: a press fills the field that is open, a stream is drawn while it runs. The page listens
// only while it is seen; what came meanwhile is kept by the site, and asked for again.
(() => {
  const host = document.getElementById("line");
  if (!host) {
    return;
  }
  const list = host.querySelector("[data-line-list]");
  const said = host.querySelector("[data-line-said]");
  const streams = host.querySelector("[data-line-streams]");
  const PREFIX = "line ";
  const keep = (key, value) => sessionStorage.setItem(PREFIX + key, value);
  const kept = (key) => sessionStorage.getItem(PREFIX + key);
  const station = kept("station") ?? `${Date.now().toString(36)}-${Math.random().toString(36).slice(2, 12)}`;
  keep("station", station);
  let source = null;
  const queue = [];

  const say = (words) => {
    said.textContent = words;
  };

  // ---- the list of instruments, and what waits ------------------------------------------------------------------------

  let asking = null;
  async function refresh() {
    if (asking) {
      asking = "again";
      return;
    }
    asking = "once";
    try {
      const answer = await fetch(`${host.dataset.line}&station=${station}`, { headers: { "HX-Request": "true" } });
      if (answer.ok) {
        const focused = document.activeElement;
        const inside = list.contains(focused) ? focused.getAttribute("aria-label") ?? focused.id : null;
        const open = list.querySelector("details")?.open;
        // The site's own page, from the site itself.
        list.innerHTML = await answer.text();
        list.querySelector("details")?.toggleAttribute("open", open === true);
        window.htmx?.process(list);
        if (inside) {
          list.querySelector(`[aria-label="${CSS.escape(inside)}"], #${CSS.escape(inside)}`)?.focus();
        }
      }
    } catch {
      say("The connection is gone; instruments keep what is pressed until it is back.");
    }
    const again = asking === "again";
    asking = null;
    if (again) {
      refresh();
    }
  }
  // What is in the calipers is not in the grips.
  const inTest = () => document.querySelector("#bench form.test") && document.querySelector("#bench .big-code")?.textContent.trim();

  // ---- presses ----------------------------------------------------------------------------------------------------------

  const press = (field) => field.closest(".reading")?.querySelector("input[name=press]");
  const isFree = (field) => field.value === "" || field.hasAttribute("aria-invalid") || press(field)?.value;

  /** The field that has the focus where it can take it, else the first that is empty. */
  function fieldFor(one) {
    const fits = (field) => field.dataset.takes === one.takes && press(field) && isFree(field);
    const here = document.activeElement;
    if (here?.matches?.("#bench input[name=typed]") && fits(here)) {
      return here;
    }
    return [...document.querySelectorAll("#bench input.typed")].find((field) => fits(field) && field.value === "");
  }

  function next() {
    // A reading that is on its way first: the field behind it is the one that is meant.
    if (queue.length === 0 || ahead !== null) {
      return;
    }
    const one = queue.shift();
    fill(one);
    if (queue.length > 0) {
      setTimeout(next, 0);
    }
  }

  function fill(one) {
    if (!one.usable) {
      say(`${one.name} had not settled: ${one.text || "nothing"} is no reading. Press again.`);
      refresh();
      return false;
    }
    const field = fieldFor(one);
    if (!field) {
      say(`${one.name} sent ${one.text}. No open field here takes it: it waits above.`);
      refresh();
      return false;
    }
    field.value = one.text;
    press(field).value = one.id;
    // What is still typed ahead would be typed behind it.
    field.dispatchEvent(new Event("input", { bubbles: true }));
    const low = one.low ? " Its battery is nearly empty." : "";
    if (one.over) {
      document.getElementById("oc-OVER_CAPACITY")?.click();
      say(`${one.name} shows that its range has ended: at least ${one.text}, if anything. Look, then press Enter.${low}`);
      field.focus();
    } else if (field.form.matches(".test")) {
      const further = nextTyped(field);
      (further ?? field).focus();
      say(`${one.name} sent ${one.text}.${further ? "" : " Say how it ended, then press Enter."}${low}`);
    } else {
      say(`${one.name} sent ${one.text}.${low}`);
      field.form.requestSubmit();
    }
    return true;
  }

  // Whoever types over what an instrument sent has typed it: it is no press any more, and waits.
  document.addEventListener("input", (event) => {
    if (event.isTrusted && event.target.matches?.("#bench input[name=typed]") && press(event.target)?.value) {
      press(event.target).value = "";
      refresh();
    }
  });
  document.addEventListener("click", (event) => {
    const button = event.target.closest?.("[data-press]");
    if (button) {
      const { press: id, text, takes, over, name } = button.dataset;
      fill({ id, text, takes, name, usable: true, over: over === "true", low: false });
    }
  });
  // Whoever takes an instrument to the bench measures next.
  document.addEventListener("htmx:afterRequest", (event) => {
    if (list.contains(event.target) && event.detail.successful) {
      document.querySelector("#bench [autofocus]")?.focus();
    }
  });
  document.addEventListener("htmx:afterSettle", (event) => {
    if (event.target.id === "bench") {
      setTimeout(next, 0);
      refresh();
    }
  });

  // ---- streams ------------------------------------------------------------------------------------------------------------

  const drawings = new Map();
  const style = getComputedStyle(document.documentElement);
  const tone = (name) => style.getPropertyValue(`--color-${name}`).trim();

  class Stream {
    constructor(id) {
      this.id = id;
      this.loads = [];
      this.ways = [];
      this.most = [0, 0];
      this.frames = 0;
      const figure = document.createElement("figure");
      figure.className = "line-stream";
      this.canvas = document.createElement("canvas");
      this.canvas.setAttribute("role", "img");
      this.words = document.createElement("figcaption");
      figure.append(this.words, this.canvas);
      streams.append(figure);
      this.figure = figure;
      const scale = window.devicePixelRatio || 1;
      this.canvas.width = Math.max(300, figure.clientWidth) * scale;
      this.canvas.height = 150 * scale;
      this.whose = inTest();
      if (this.whose) {
        const body = new URLSearchParams({
          stream: id, specimen: this.whose, _csrf: document.querySelector("input[name=_csrf]")?.value ?? "",
        });
        fetch(host.dataset.begun, { method: "POST", body }).catch(() => say("The connection is gone: say whose record it is once it is back."));
      }
    }

    add(points, about) {
      this.about = about;
      for (const [, load, way] of points) {
        this.loads.push(load);
        this.ways.push(way);
        this.most[0] = Math.max(this.most[0], way);
        this.most[1] = Math.max(this.most[1], load);
      }
      this.time = points[points.length - 1][0];
      this.wanted ??= requestAnimationFrame(() => this.draw());
    }

    /** In each column of the picture the highest and the lowest: no extreme is lost, and a long test costs no more than a short one. */
    bin() {
      const [most, highest] = this.most;
      const grow = this.over ? 1.05 : 1.6;
      if (!this.top || most > this.right || highest > this.top || (this.over && !this.tight)) {
        // Seldom, in steps: every point is looked at again.
        [this.right, this.top] = [most * grow || 1, highest * grow || 1];
        this.tight = this.over;
        this.columns = [];
        this.binned = 0;
      }
      const { width } = this.canvas;
      for (; this.binned < this.loads.length; this.binned++) {
        const x = Math.round((this.ways[this.binned] / this.right) * width);
        const load = this.loads[this.binned];
        const last = this.columns[this.columns.length - 1];
        if (last && last[0] === x) {
          last[1] = Math.min(last[1], load);
          last[2] = Math.max(last[2], load);
        } else {
          this.columns.push([x, load, load]);
        }
      }
    }

    draw() {
      this.wanted = null;
      this.canvas.dataset.frames = ++this.frames;
      this.bin();
      const { width, height } = this.canvas;
      const pen = this.canvas.getContext("2d");
      const at = (load) => height - (load / this.top) * height;
      pen.clearRect(0, 0, width, height);
      pen.strokeStyle = tone("hair");
      pen.lineWidth = 1;
      pen.strokeRect(0.5, 0.5, width - 1, height - 1);
      pen.strokeStyle = tone("ink");
      pen.lineWidth = 1.5 * (window.devicePixelRatio || 1);
      pen.beginPath();
      for (const [x, low, high] of this.columns) {
        pen.lineTo(x, at(low));
        pen.lineTo(x, at(high));
      }
      pen.stroke();
      const last = this.loads.length - 1;
      const figure = (value) => Number(value.toPrecision(4));
      this.words.textContent =
        `${this.about.name}${this.whose ? `, ${this.whose}` : ""}, ${this.over ? "over" : "running"}: ` +
        `${figure(this.loads[last])} ${this.about.unit} at ${figure(this.ways[last])} ${this.about.way}, ` +
        `highest ${figure(this.most[1])} ${this.about.unit}, ${this.loads.length} points`;
      this.canvas.setAttribute("aria-label", this.words.textContent);
    }

    end() {
      this.over = true;
      this.wanted ??= requestAnimationFrame(() => this.draw());
      setTimeout(() => {
        this.figure.remove();
        drawings.delete(this.id);
      }, 20000);
    }
  }

  // ---- listening ------------------------------------------------------------------------------------------------------------

  function listen() {
    if (source || document.hidden) {
      return;
    }
    source = new EventSource(`${host.dataset.feed}?station=${station}&after=${kept("last") ?? 0}`);
    source.addEventListener("open", refresh);
    source.addEventListener("changed", refresh);
    source.addEventListener("press", (event) => {
      const one = JSON.parse(event.data);
      const seen = Number(kept("last") ?? 0);
      if (one.late) {
        keep("last", Math.max(seen, one.id));
        refresh();
        return;
      }
      if (one.id > seen) {
        keep("last", one.id);
        queue.push(one);
        next();
      }
    });
    source.addEventListener("points", (event) => {
      const { stream, points, about } = JSON.parse(event.data);
      if (!drawings.has(stream)) {
        drawings.set(stream, new Stream(stream));
      }
      drawings.get(stream).add(points, about);
    });
    source.addEventListener("ended", (event) => {
      drawings.get(JSON.parse(event.data).stream)?.end();
      refresh();
    });
    source.addEventListener("elsewhere", () => {
      leave();
      say("This bench is open in another window too, which has its instruments now. Load this page again to have them here.");
    });
  }
  function leave() {
    source?.close();
    source = null;
  }
  document.addEventListener("visibilitychange", () => (document.hidden ? leave() : listen()));
  window.addEventListener("pagehide", leave);
  window.addEventListener("pageshow", listen);
  refresh();
  listen();
})();

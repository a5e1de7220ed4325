// The little that the pages need beside htmx: choices that show at once, printing, no double sending, focus after a swap.
document.addEventListener("change", (event) => {
  const field = event.target;
  if (field.matches("[data-submit]") && field.form) {
    field.form.requestSubmit();
  }
});

document.addEventListener("click", (event) => {
  if (event.target.closest("[data-print]")) {
    window.print();
  }
});

// Rows of a publication are added and taken out at will.
document.addEventListener("click", (event) => {
  const out = event.target.closest("[data-remove-row]");
  const add = event.target.closest("[data-add-row]");
  if (out) {
    const body = out.closest("tbody");
    const next = body.nextElementSibling ?? body.previousElementSibling;
    if (document.querySelectorAll("tbody.statement").length > 1) {
      body.remove();
      next?.querySelector("[data-remove-row]")?.focus();
    }
  }
  if (add) {
    const last = [...document.querySelectorAll("tbody.statement")].pop();
    const row = last.cloneNode(true);
    row.querySelectorAll("input").forEach((field) => (field.value = ""));
    row.querySelectorAll("select").forEach((field) => (field.selectedIndex = 0));
    row.querySelector("select[name=form]").value = "STATED";
    row.querySelector("input[name=specimen]").placeholder = "the method's usual unless told";
    row.querySelectorAll(".wrong").forEach((said) => said.remove());
    row.querySelectorAll(".row-said, .row-past").forEach((said) => (said.textContent = ""));
    const number = document.querySelectorAll("tbody.statement").length + 1;
    row.querySelectorAll("[aria-label]").forEach((field) => {
      field.setAttribute("aria-label", field.getAttribute("aria-label").replace(/ow \d+/, `ow ${number}`));
    });
    last.after(row);
    window.htmx?.process(row);
    row.querySelector("input").focus();
  }
});

// A second click on a form that is on its way does nothing; coming back with the back button frees it again.
document.addEventListener("submit", (event) => {
  const form = event.target;
  if (form.hasAttribute("hx-post")) {
    return;
  }
  if (form.dataset.sent) {
    event.preventDefault();
    return;
  }
  form.dataset.sent = "yes";
});
window.addEventListener("pageshow", () => {
  document.querySelectorAll("form[data-sent]").forEach((form) => delete form.dataset.sent);
});

// At the bench a scanner or a quick hand types faster than a page settles. While a reading is on its way its keys are kept
// and given to the next field in order; where the reading is refused, what was typed ahead is refused with it, and said.
// Keys that choose (how it ended) cannot be kept for a choice that is not there yet: the burst they stand in is refused.
const CHOOSES = ["Tab", "ArrowLeft", "ArrowRight", "ArrowUp", "ArrowDown"];
let ahead = null;
let refusing = 0; // while the rest of a burst that was refused still comes in
const PAUSE = 200;
document.addEventListener("htmx:beforeRequest", (event) => {
  if (event.detail.requestConfig?.verb === "post" && event.target.closest?.("#bench")) {
    ahead = ahead ?? [];
  }
});
document.addEventListener(
  "keydown",
  (event) => {
    const plain = event.key.length === 1 || ["Enter", "Backspace", ...CHOOSES].includes(event.key);
    if (ahead === null || !plain || event.ctrlKey || event.metaKey || event.altKey) {
      return;
    }
    event.preventDefault();
    event.stopPropagation();
    ahead.push(event.key);
    if (refusing) {
      clearTimeout(refusing);
      refusing = setTimeout(sayRefused, PAUSE);
    }
  },
  true,
);

function sayRefused() {
  const shown = (key) => (key === "Enter" ? " ⏎ " : CHOOSES.includes(key) ? " ⇥ " : key);
  const lost = ahead.filter((key) => key !== "Backspace").map(shown);
  const said = document.querySelector("#bench .typed-ahead");
  ahead = null;
  refusing = 0;
  if (said) {
    said.textContent = `Typed ahead and not taken: ${lost.join("").trim()}`;
    said.hidden = false;
  }
}

function typeAhead(taken) {
  const keys = ahead ?? [];
  let field = document.querySelector("#bench [autofocus]");
  ahead = null;
  if (field) {
    field.focus();
    field.select?.();
  }
  if (keys.length === 0) {
    return;
  }
  const chooses = keys.some((key) => CHOOSES.includes(key));
  const refused = !taken || chooses || !field?.matches(".typed") || field.getAttribute("aria-invalid");
  if (refused && (chooses || keys.includes("Enter"))) {
    // Readings meant for the fields behind a refused one go nowhere: all of the burst, to its end, is refused with it.
    ahead = keys;
    refusing = setTimeout(sayRefused, PAUSE);
    return;
  }
  if (!field?.matches(".typed")) {
    return;
  }
  if (refused) {
    field.value = "";
  }
  while (keys.length > 0) {
    const key = keys.shift();
    const next = key === "Enter" ? nextTyped(field) : null;
    if (next) {
      field = next;
      field.focus();
      continue;
    }
    if (key === "Enter") {
      ahead = keys;
      field.form.requestSubmit();
      return;
    }
    field.value = key === "Backspace" ? field.value.slice(0, -1) : field.value + key;
  }
  field.dispatchEvent(new Event("input", { bubbles: true }));
}
document.addEventListener("htmx:afterSettle", (event) => {
  // Once a response: the rows that changed settle as well.
  if (event.detail.requestConfig?.verb === "post" && event.target.id === "bench") {
    typeAhead(event.detail.xhr?.status === 200);
  }
});
// A connection that is gone takes nothing with it: the form stands as it was typed, and says so.
for (const gone of ["htmx:sendError", "htmx:timeout"]) {
  document.addEventListener(gone, (event) => {
    const said = document.querySelector("#bench .lost");
    if (said && event.detail.requestConfig?.verb === "post") {
      said.hidden = false;
    }
  });
}
document.addEventListener("htmx:beforeRequest", (event) => {
  const said = document.querySelector("#bench .lost");
  if (said && event.detail.requestConfig?.verb === "post") {
    said.hidden = true;
  }
});
for (const broken of ["htmx:sendError", "htmx:timeout", "htmx:responseError"]) {
  document.addEventListener(broken, () => typeAhead(false));
}

// Where a test has several readings Enter goes on to the next of them; in the last one it stores them all.
// What is fetched once the test is over comes alone.
function nextTyped(field) {
  if (field.form.matches(".over")) {
    return undefined;
  }
  const fields = [...field.form.querySelectorAll("input.typed")];
  return fields.slice(fields.indexOf(field) + 1).find((next) => next.value === "" && !next.dataset.byClock);
}
document.addEventListener("keydown", (event) => {
  const field = event.target;
  if (event.key !== "Enter" || !field.matches?.("#bench form.test input.typed") || field.value === "") {
    return;
  }
  const next = nextTyped(field);
  if (next) {
    event.preventDefault();
    next.focus();
  }
});

// Keys that no field has yet are nowhere but here: whoever leaves is asked first.
window.addEventListener("beforeunload", (event) => {
  if (ahead?.length > 0) {
    event.preventDefault();
  }
});

// What was typed before htmx listens to a field (between a swap and its settling, or while the page loads) would go
// unseen: say it again.
function sayAgain() {
  const field = document.activeElement;
  if (field?.matches("#bench .typed") && field.value !== field.defaultValue) {
    field.dispatchEvent(new Event("input", { bubbles: true }));
  }
}
document.addEventListener("htmx:afterSettle", sayAgain);
window.addEventListener("load", sayAgain);

// A test that is read by the clock: it rings and shows at each moment, or at the end of each step. When it was begun and what
// was typed since are kept in the browser until the test is stored, so that a page that is loaded again goes on.
const LATE = 5; // seconds after a ring in which a reading that is being typed was taken at the ring
let ticking = 0;
let sound = null;

function beep() {
  try {
    sound = sound ?? new AudioContext();
    const tone = sound.createOscillator();
    tone.frequency.value = 880;
    tone.connect(sound.destination);
    tone.start();
    tone.stop(sound.currentTime + 0.4);
  } catch {
    // A machine without sound still shows it.
  }
}

const clockWords = (seconds) =>
  seconds < 120 ? `${Math.floor(seconds)} s` : `${Math.floor(seconds / 60)} min ${Math.floor(seconds % 60)} s`;

function setUpClock() {
  const clock = document.querySelector("#bench [data-clock]");
  clearInterval(ticking);
  if (!clock) {
    return;
  }
  const find = (name) => clock.querySelector(`[data-clock-${name}]`);
  const [start, face, next, again, said] = ["start", "face", "next", "again", "said"].map(find);
  const form = clock.closest("form");
  const place = `clock ${clock.dataset.clock}`;
  const step = Number(clock.dataset.step);
  const rings = clock.dataset.rings
    .split(",")
    .filter(Boolean)
    .map((ring) => ring.split(" "))
    .map(([seconds, field, trueTime, always]) => ({ seconds: Number(seconds), field, trueTime, always }));
  const input = (key) => (key ? document.getElementById(`in-${key}`) : null);
  const read = () => JSON.parse(localStorage.getItem(place) ?? "null");
  const keep = (state) => localStorage.setItem(place, JSON.stringify(state));
  const since = () => (Date.now() - read().begun) / 1000;
  let rung = 0;
  // A true time is filled in by the clock: Enter passes it over.
  rings.map((ring) => input(ring.trueTime)).filter(Boolean).forEach((field) => (field.dataset.byClock = "yes"));

  const moment = () => {
    const now = since();
    return step > 0 ? Math.floor(now / step) : rings.filter((ring) => ring.seconds <= now).length;
  };
  const ring = (at) => {
    const here = step > 0 ? null : rings[at - 1];
    clock.classList.add("rings");
    setTimeout(() => clock.classList.remove("rings"), 3000);
    said.textContent = here ? `Read at ${here.seconds} s now` : `Step ${at} is over`;
    beep();
    const field = input(here?.field);
    if (field && field.value === "" && !(document.activeElement?.value && document.activeElement.matches(".typed"))) {
      field.focus();
    }
  };
  const tick = () => {
    const now = since();
    face.textContent = clockWords(now);
    const at = moment();
    const coming = step > 0 ? (at + 1) * step : rings[at]?.seconds;
    next.textContent = coming === undefined ? "the last reading is due" : `rings at ${clockWords(coming)}`;
    if (at > rung) {
      rung = at;
      ring(at);
    }
  };
  const go = () => {
    start.hidden = true;
    again.hidden = false;
    tick();
    ticking = setInterval(tick, 200);
  };

  clock.hidden = false;
  start.onclick = () => {
    // What was typed before the load came on is kept as well.
    const typed = [...form.querySelectorAll("input.typed")].filter((field) => field.id && field.value !== "");
    keep({ begun: Date.now(), typed: Object.fromEntries(typed.map((field) => [field.id, field.value])) });
    rung = 0;
    go();
    form.querySelector(".typed")?.focus();
  };
  again.onclick = () => {
    localStorage.removeItem(place);
    clearInterval(ticking);
    start.hidden = false;
    again.hidden = true;
    face.textContent = next.textContent = "";
  };
  form.addEventListener("input", (event) => {
    const state = read();
    if (!state || !event.target.id) {
      return;
    }
    const own = rings.find((one) => input(one.field) === event.target);
    const trueTime = input(own?.trueTime);
    const off = own && (since() > own.seconds + LATE || since() < own.seconds);
    if (trueTime && trueTime.value === "" && (off || own.always)) {
      trueTime.value = `${Math.round(off ? since() : own.seconds)} s`;
      state.typed[trueTime.id] = trueTime.value;
    }
    state.typed[event.target.id] = event.target.value;
    keep(state);
  });
  const state = read();
  if (state) {
    Object.entries(state.typed).forEach(([id, value]) => {
      const field = document.getElementById(id);
      if (field && field.form === form && field.value === "") {
        field.value = value;
      }
    });
    rung = moment();
    go();
  }
}
document.addEventListener("htmx:beforeSwap", (event) => {
  const clock = document.querySelector("#bench [data-clock]");
  if (clock && event.detail.requestConfig?.verb === "post" && event.detail.xhr?.status === 200) {
    localStorage.removeItem(`clock ${clock.dataset.clock}`);
  }
});
document.addEventListener("htmx:afterSettle", (event) => {
  if (event.target.id === "bench") {
    setUpClock();
  }
});
window.addEventListener("load", setUpClock);

// A click on the drawing of the specimen in hand says in which part it broke; the field says it in words.
document.addEventListener("click", (event) => {
  const zone = event.target.closest("#bench [data-broke]");
  const field = document.getElementById("in-broke-at-1");
  if (!zone || !field) {
    return;
  }
  field.value = zone.dataset.broke;
  field.closest("details").open = true;
  zone.parentNode.querySelectorAll("[data-broke]").forEach((one) => one.classList.toggle("is-broken", one === zone));
});

// A file is hashed where it lies: only its SHA-256 goes into the form.
document.addEventListener("change", async (event) => {
  const into = event.target.dataset && event.target.dataset.hashInto;
  const file = into && event.target.files[0];
  const field = into && document.getElementById(into);
  if (!file || !field || !window.crypto.subtle) {
    return;
  }
  const hash = await window.crypto.subtle.digest("SHA-256", await file.arrayBuffer());
  field.value = [...new Uint8Array(hash)].map((byte) => byte.toString(16).padStart(2, "0")).join("");
});

// A click on a drawn grade types it; Enter stores it as anything else.
document.addEventListener("click", (event) => {
  const grade = event.target.closest("[data-grade]");
  const field = grade && grade.closest(".reading").querySelector("input.typed");
  if (!field) {
    return;
  }
  field.value = grade.dataset.grade;
  field.dispatchEvent(new Event("input", { bubbles: true }));
  field.focus();
});

// A click on a picture says where the specimen broke; it is kept with the button beside it.
document.addEventListener("click", (event) => {
  const drawing = event.target.closest("[data-mark]");
  const [x, y] = ["x", "y"].map((name) => document.getElementById(name));
  if (!drawing || !x || !y) {
    return;
  }
  const box = drawing.viewBox.baseVal;
  const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(drawing.getScreenCTM().inverse());
  x.value = ((100 * at.x) / box.width).toFixed(1);
  y.value = ((100 * at.y) / box.height).toFixed(1);
  const scale = box.width / 100;
  drawing.querySelector("[data-mark-here]").setAttribute("transform", `translate(${at.x} ${at.y}) scale(${scale})`);
});

// A diameter log goes up as the request's body, so that the server reads it while it comes; progress is asked for beside
// it, which also tells how it ended when the server answered before the whole file was sent.
document.addEventListener("submit", (event) => {
  const form = event.target;
  if (!form.dataset.logUpload || !window.XMLHttpRequest) {
    return;
  }
  const file = form.querySelector("input[type=file]").files[0];
  if (!file) {
    return;
  }
  event.preventDefault();
  delete form.dataset.sent;
  readLog(form, file);
});

function readLog(form, file) {
  const find = (name) => form.querySelector(`[data-log-${name}]`);
  const [bar, words, wrong, stop] = ["progress", "words", "wrong", "cancel"].map(find);
  const job = form.dataset.job;
  const jobs = `${form.dataset.logUpload}/jobs/${job}`;
  const token = form.querySelector("input[name=_csrf]").value;
  const sample = form.querySelector("select[name=sample]")?.value;
  const send = new XMLHttpRequest();
  const button = form.querySelector("button[type=submit]");
  let over = false;
  const end = (message) => {
    over = true;
    clearInterval(asking);
    bar.hidden = stop.hidden = true;
    button.disabled = false;
    words.textContent = "";
    wrong.textContent = message;
    wrong.hidden = false;
    form.dataset.job = crypto.randomUUID?.() ?? String(Math.random()).slice(2, 18);
  };
  const take = (answer) => {
    if (over) {
      return;
    }
    if (answer.state === "done") {
      over = true;
      clearInterval(asking);
      location.assign(answer.page);
    } else if (answer.state !== "reading") {
      end(answer.message);
    } else if (answer.rows > 0) {
      words.textContent = `${answer.rows.toLocaleString("en")} readings`;
    }
  };
  const ask = () => fetch(jobs).then((r) => (r.ok ? r.json().then(take) : null)).catch(() => null);
  const asking = setInterval(ask, 400);
  wrong.hidden = true;
  bar.hidden = stop.hidden = false;
  bar.value = 0;
  button.disabled = true;
  send.upload.onprogress = (p) => {
    bar.value = p.lengthComputable ? p.loaded / p.total : 0;
  };
  send.onload = () => {
    try {
      take(JSON.parse(send.responseText));
    } catch {
      end("The server did not answer as expected; load the page again.");
    }
  };
  // The server may refuse a file before it has come whole; how it ended is asked for.
  send.onerror = () => setTimeout(() => ask().then(() => over || end("The connection broke off; nothing was stored.")), 300);
  send.onabort = () => end("Stopped; nothing was stored.");
  stop.onclick = () => {
    fetch(`${jobs}/cancel`, { method: "POST", headers: { "X-CSRF-TOKEN": token } });
    send.abort();
  };
  const query = new URLSearchParams({ job, name: file.name });
  if (sample) {
    query.set("sample", sample);
  }
  send.open("POST", `${form.dataset.logUpload}/stream?${query}`);
  send.setRequestHeader("Content-Type", "application/octet-stream");
  send.setRequestHeader("X-CSRF-TOKEN", token);
  send.send(file);
}

// Dragging over a trace looks nearer at what was dragged over.
document.addEventListener("pointerdown", (event) => {
  const svg = event.target.closest("#trace svg[data-from]");
  if (!svg) {
    return;
  }
  event.preventDefault();
  const box = svg.getBoundingClientRect();
  const brush = svg.querySelector(".brush");
  const { left, right, width, from, to } = svg.dataset;
  const clamp = (x) => Math.min(Math.max(((x - box.left) / box.width) * width, left), right);
  const start = clamp(event.clientX);
  let end = start;
  const move = (e) => {
    end = clamp(e.clientX);
    brush.setAttribute("x", Math.min(start, end));
    brush.setAttribute("width", Math.abs(end - start));
  };
  const up = () => {
    document.removeEventListener("pointermove", move);
    brush.setAttribute("width", 0);
    if (Math.abs(end - start) > 8) {
      const at = (x) => +from + ((x - left) / (right - left)) * (to - from);
      const [a, b] = [at(start), at(end)].sort((p, q) => p - q).map((v) => v.toFixed(1));
      location.assign(`${location.pathname}?from=${a}&to=${b}`);
    }
  };
  document.addEventListener("pointermove", move);
  document.addEventListener("pointerup", up, { once: true });
});

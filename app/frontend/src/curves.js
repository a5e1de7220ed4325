// Curves on a canvas: a set or one record, with zoom, a cursor that reads, and keys. What is drawn comes as numbers from the server, thinned so
// that no extreme is lost.
(() => {
  const canvas = document.querySelector("canvas[data-curves]");
  if (!canvas) {
    return;
  }
  const reading = document.querySelector("[data-curve-reading]");
  const key = document.querySelector("[data-curve-key]");
  const style = getComputedStyle(document.documentElement);
  const tone = (name) => style.getPropertyValue(`--color-${name}`).trim();
  const ink = tone("ink"), faint = tone("faint"), hair = tone("hair"), sheetTone = tone("sheet"), wash = "#cfc7b2";
  const pad = { left: 62, right: 20, top: 16, bottom: 44 };
  let sheet = null;
  let view = null;
  let whole = null;
  let cursor = null;
  let chosen = 0;
  let drag = null;

  const width = () => canvas.clientWidth;
  const height = () => canvas.clientHeight;
  const px = (x) => pad.left + ((x - view.x0) / (view.x1 - view.x0)) * (width() - pad.left - pad.right);
  const py = (y) => height() - pad.bottom - ((y - view.y0) / (view.y1 - view.y0)) * (height() - pad.top - pad.bottom);
  const ux = (p) => view.x0 + ((p - pad.left) / (width() - pad.left - pad.right)) * (view.x1 - view.x0);
  const uy = (p) => view.y0 + ((height() - pad.bottom - p) / (height() - pad.top - pad.bottom)) * (view.y1 - view.y0);

  const ticks = (low, high, wanted) => {
    const raw = (high - low) / wanted;
    const power = 10 ** Math.floor(Math.log10(raw));
    const step = [1, 2, 5, 10].map((f) => f * power).find((s) => s >= raw);
    const decimals = Math.max(0, -Math.floor(Math.log10(step) + 1e-9));
    const all = [];
    for (let n = Math.ceil(low / step - 1e-9); n * step <= high + step * 1e-9; n++) {
      all.push({ at: n * step, label: (n * step).toFixed(decimals) });
    }
    return all;
  };

  const figures = (value) => Number(value.toPrecision(4)).toString();
  const unit = (name) => (name ? ` ${name}` : "");

  function bounds() {
    let x0 = 0, x1 = 0, y0 = 0, y1 = 0;
    for (const curve of sheet.curves) {
      for (let i = 0; i < curve.x.length; i++) {
        x0 = Math.min(x0, curve.x[i]);
        x1 = Math.max(x1, curve.x[i]);
        y0 = Math.min(y0, curve.y[i]);
        y1 = Math.max(y1, curve.y[i]);
      }
    }
    for (const band of sheet.others) {
      y1 = Math.max(y1, ...band.high);
      x1 = Math.max(x1, band.x[band.x.length - 1]);
    }
    const wide = x1 - x0 || 1, high = y1 - y0 || 1;
    return { x0: x0 - wide * 0.02, x1: x1 + wide * 0.03, y0: y0 - high * 0.02, y1: y1 + high * 0.08 };
  }

  function line(pen, x, y) {
    pen.beginPath();
    for (let i = 0; i < x.length; i++) {
      i === 0 ? pen.moveTo(px(x[i]), py(y[i])) : pen.lineTo(px(x[i]), py(y[i]));
    }
    pen.stroke();
  }

  function area(pen, band) {
    pen.beginPath();
    band.x.forEach((x, i) => (i === 0 ? pen.moveTo(px(x), py(band.low[i])) : pen.lineTo(px(x), py(band.low[i]))));
    for (let i = band.x.length - 1; i >= 0; i--) {
      pen.lineTo(px(band.x[i]), py(band.high[i]));
    }
    pen.closePath();
  }

  function frame(pen) {
    pen.strokeStyle = hair;
    pen.fillStyle = ink;
    pen.lineWidth = 1;
    pen.font = "12px 'Source Sans', sans-serif";
    pen.strokeRect(pad.left, pad.top, width() - pad.left - pad.right, height() - pad.top - pad.bottom);
    pen.textAlign = "right";
    for (const tick of ticks(view.y0, view.y1, 6)) {
      pen.fillText(tick.label, pad.left - 8, py(tick.at) + 4);
      pen.beginPath();
      pen.moveTo(pad.left - 4, py(tick.at));
      pen.lineTo(pad.left, py(tick.at));
      pen.stroke();
    }
    pen.textAlign = "center";
    for (const tick of ticks(view.x0, view.x1, 9)) {
      pen.fillText(tick.label, px(tick.at), height() - pad.bottom + 17);
      pen.beginPath();
      pen.moveTo(px(tick.at), height() - pad.bottom);
      pen.lineTo(px(tick.at), height() - pad.bottom + 4);
      pen.stroke();
    }
    const axes = sheet.axes;
    pen.fillStyle = faint;
    pen.textAlign = "right";
    pen.fillText(axes.strain + (axes.strainUnit ? `, ${axes.strainUnit}` : ""), width() - pad.right, height() - 8);
    pen.textAlign = "left";
    pen.fillText(axes.stress + (axes.stressUnit ? `, ${axes.stressUnit}` : ""), pad.left, height() - 8);
  }

  function marks(pen) {
    const shown = sheet.curves.filter((curve) => curve.marks.length > 0);
    for (const curve of shown) {
      pen.lineWidth = 1.4;
      pen.strokeStyle = curve.counts ? ink : faint;
      pen.fillStyle = sheetTone;
      curve.marks.forEach((mark, i) => {
        const x = px(mark.x), y = py(mark.y);
        pen.beginPath();
        pen.moveTo(x - 5, y);
        pen.lineTo(x, y - 5);
        pen.lineTo(x + 5, y);
        pen.lineTo(x, y + 5);
        pen.closePath();
        pen.fill();
        pen.stroke();
        if (mark.named && (curve.counts || shown.length === 1)) {
          const room = x - 10 - pen.measureText(mark.kind).width > pad.left;
          const left = room && (mark.kind === "zero" || x > width() * 0.72);
          pen.textAlign = left ? "right" : "left";
          pen.fillStyle = ink;
          const under = i % 2 === 0 && y + 20 < height() - pad.bottom;
          pen.fillText(mark.kind, left ? x - 10 : x + 10, under ? y + 16 : y - 8);
          pen.fillStyle = sheetTone;
        }
      });
    }
  }

  // A record alone is looked at nearer with points of its own: what was thinned for the whole is asked for again.
  let coming = 0;
  let first = null;
  function nearer() {
    if (!canvas.dataset.source.endsWith("/curve") || !first) {
      return;
    }
    clearTimeout(coming);
    coming = setTimeout(async () => {
      const asked = { ...view };
      const near = asked.x1 - asked.x0 < 0.7 * (whole.x1 - whole.x0);
      let curves = first;
      if (near) {
        const answer = await fetch(`${canvas.dataset.source}?from=${asked.x0}&to=${asked.x1}`);
        if (!answer.ok) {
          return;
        }
        curves = (await answer.json()).curves;
      }
      // Whoever has gone on since asks for himself.
      if (view.x0 === asked.x0 && view.x1 === asked.x1 && curves.length === sheet.curves.length) {
        const point = cursor === null ? null : sheet.curves[chosen].at[cursor];
        sheet.curves = curves;
        if (point !== null) {
          cursor = Math.max(0, curves[chosen].at.findIndex((at) => at >= point));
        }
        canvas.dataset.points = String(curves[0].x.length);
        canvas.dataset.first = String(curves[0].at[0]);
        draw();
      }
    }, 150);
  }

  function draw() {
    const ratio = window.devicePixelRatio || 1;
    if (canvas.width !== Math.round(width() * ratio)) {
      canvas.width = Math.round(width() * ratio);
      canvas.height = Math.round(height() * ratio);
    }
    const pen = canvas.getContext("2d");
    pen.setTransform(ratio, 0, 0, ratio, 0, 0);
    pen.font = "12px 'Source Sans', sans-serif";
    pen.fillStyle = sheetTone;
    pen.fillRect(0, 0, width(), height());
    pen.save();
    pen.beginPath();
    pen.rect(pad.left, pad.top, width() - pad.left - pad.right, height() - pad.top - pad.bottom);
    pen.clip();
    if (sheet.own) {
      pen.fillStyle = wash;
      area(pen, sheet.own);
      pen.fill();
    }
    sheet.others.forEach((band, i) => {
      pen.strokeStyle = faint;
      pen.lineWidth = 1.4;
      pen.setLineDash(i === 0 ? [7, 4] : [2, 3]);
      area(pen, band);
      pen.stroke();
    });
    pen.setLineDash([]);
    const many = sheet.curves.length > 1 && !sheet.curves[0].marks.length;
    sheet.curves.forEach((curve, i) => {
      pen.strokeStyle = !curve.counts ? faint : ink;
      pen.globalAlpha = many ? (i === chosen && cursor !== null ? 1 : Math.max(0.12, Math.min(0.9, 9 / sheet.curves.length))) : 1;
      pen.lineWidth = many && i === chosen && cursor !== null ? 2.4 : 1.2;
      pen.setLineDash(curve.counts ? [] : [3, 3]);
      line(pen, curve.x, curve.y);
    });
    pen.setLineDash([]);
    pen.globalAlpha = 1;
    if (sheet.own) {
      pen.strokeStyle = ink;
      pen.lineWidth = 2.6;
      pen.setLineDash([12, 3, 2, 3]);
      line(pen, sheet.own.x, sheet.own.mean);
      pen.setLineDash([]);
    }
    marks(pen);
    if (cursor !== null) {
      const curve = sheet.curves[chosen];
      const x = px(curve.x[cursor]), y = py(curve.y[cursor]);
      pen.strokeStyle = faint;
      pen.lineWidth = 1;
      pen.beginPath();
      pen.moveTo(x, pad.top);
      pen.lineTo(x, height() - pad.bottom);
      pen.moveTo(pad.left, y);
      pen.lineTo(width() - pad.right, y);
      pen.stroke();
    }
    if (drag) {
      pen.strokeStyle = ink;
      pen.setLineDash([4, 3]);
      pen.strokeRect(drag.x, drag.y, drag.toX - drag.x, drag.toY - drag.y);
      pen.setLineDash([]);
    }
    pen.restore();
    frame(pen);
    say();
  }

  function say() {
    if (cursor === null) {
      reading.textContent = "\u00a0";
      return;
    }
    const curve = sheet.curves[chosen];
    const axes = sheet.axes;
    const point = curve.at.length ? `, point ${curve.at[cursor]}` : "";
    const near = curve.marks.find((mark) => Math.abs(px(mark.x) - px(curve.x[cursor])) < 7 && Math.abs(py(mark.y) - py(curve.y[cursor])) < 12);
    reading.textContent = `${curve.label}${curve.counts ? "" : " (does not count)"}: ${axes.strain} ${figures(curve.x[cursor])}${unit(axes.strainUnit)}, `
      + `${axes.stress} ${figures(curve.y[cursor])}${unit(axes.stressUnit)}${point}${near ? `. ${near.kind}: ${near.how}` : ""}`;
  }

  function nearest(x, y) {
    let best = Infinity;
    sheet.curves.forEach((curve, c) => {
      for (let i = 0; i < curve.x.length; i++) {
        const far = Math.hypot(px(curve.x[i]) - x, py(curve.y[i]) - y);
        if (far < best) {
          best = far;
          chosen = c;
          cursor = i;
        }
      }
    });
  }

  function zoom(factor, atX, atY) {
    view = {
      x0: atX - (atX - view.x0) * factor, x1: atX + (view.x1 - atX) * factor,
      y0: atY - (atY - view.y0) * factor, y1: atY + (view.y1 - atY) * factor,
    };
    draw();
    nearer();
  }

  const place = (event) => {
    const box = canvas.getBoundingClientRect();
    return { x: event.clientX - box.left, y: event.clientY - box.top };
  };
  canvas.addEventListener("pointerdown", (event) => {
    const at = place(event);
    drag = { x: at.x, y: at.y, toX: at.x, toY: at.y };
    canvas.setPointerCapture(event.pointerId);
  });
  canvas.addEventListener("pointermove", (event) => {
    if (!sheet) {
      return;
    }
    const at = place(event);
    if (drag) {
      drag.toX = at.x;
      drag.toY = at.y;
    } else {
      nearest(at.x, at.y);
    }
    window.requestAnimationFrame(draw);
  });
  canvas.addEventListener("pointerup", () => {
    if (drag && Math.abs(drag.toX - drag.x) > 8 && Math.abs(drag.toY - drag.y) > 8) {
      view = {
        x0: ux(Math.min(drag.x, drag.toX)), x1: ux(Math.max(drag.x, drag.toX)),
        y0: uy(Math.max(drag.y, drag.toY)), y1: uy(Math.min(drag.y, drag.toY)),
      };
    }
    drag = null;
    draw();
    nearer();
  });
  canvas.addEventListener("dblclick", () => {
    view = { ...whole };
    draw();
    nearer();
  });
  canvas.addEventListener("wheel", (event) => {
    if (event.ctrlKey || document.activeElement === canvas) {
      event.preventDefault();
      const at = place(event);
      zoom(event.deltaY > 0 ? 1.2 : 1 / 1.2, ux(at.x), uy(at.y));
    }
  }, { passive: false });

  const steps = { ArrowLeft: -1, ArrowRight: 1, PageUp: -25, PageDown: 25 };
  canvas.addEventListener("keydown", (event) => {
    if (!sheet || !sheet.curves.length) {
      return;
    }
    const curve = sheet.curves[chosen];
    if (event.key in steps) {
      cursor = Math.min(curve.x.length - 1, Math.max(0, (cursor ?? 0) + steps[event.key]));
    } else if (event.key === "Home" || event.key === "End") {
      cursor = event.key === "Home" ? 0 : curve.x.length - 1;
    } else if (event.key === "ArrowUp" || event.key === "ArrowDown") {
      const x = curve.x[cursor ?? 0];
      chosen = (chosen + (event.key === "ArrowDown" ? 1 : sheet.curves.length - 1)) % sheet.curves.length;
      const next = sheet.curves[chosen].x;
      cursor = next.findIndex((other) => other >= x);
      cursor = cursor < 0 ? next.length - 1 : cursor;
    } else if (event.key === "+" || event.key === "-") {
      const at = cursor === null ? [(view.x0 + view.x1) / 2, (view.y0 + view.y1) / 2] : [curve.x[cursor], curve.y[cursor]];
      zoom(event.key === "+" ? 1 / 1.5 : 1.5, at[0], at[1]);
    } else if (event.key === "0") {
      view = { ...whole };
      nearer();
    } else if (event.key === "Escape") {
      cursor = null;
    } else {
      return;
    }
    event.preventDefault();
    draw();
  });

  document.querySelector("[data-curve-png]")?.addEventListener("click", () => {
    canvas.toBlob((blob) => {
      const link = document.createElement("a");
      link.href = URL.createObjectURL(blob);
      link.download = `${document.title.split(" · ")[0].replace(/[^A-Za-z0-9-]+/g, "-")}.png`;
      link.click();
      URL.revokeObjectURL(link.href);
    });
  });
  window.addEventListener("resize", () => sheet && draw());

  fetch(canvas.dataset.source, { headers: { Accept: "application/json" } })
    .then((answer) => (answer.ok ? answer.json() : Promise.reject(new Error(String(answer.status)))))
    .then((loaded) => {
      sheet = loaded;
      first = loaded.curves;
      whole = bounds();
      view = { ...whole };
      const bands = [...(sheet.own ? [`shaded: ${sheet.own.words}`] : []), ...sheet.others.map((band) => `dashed: ${band.words}`)];
      if (bands.length) {
        key.textContent = `${bands.join("; ")}. ${key.textContent}`;
      }
      document.fonts.load("12px 'Source Sans'").finally(() => {
        draw();
        canvas.dataset.drawn = String(sheet.curves.length);
      });
    })
    .catch((why) => {
      reading.textContent = `The curves did not come (${why.message}). Load the page again.`;
    });
})();

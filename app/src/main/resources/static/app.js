// What only the browser can do: keys, moving knots, ticking, drawing the wave. Everything works as plain pages and forms, too.
(() => {
  "use strict";
  document.documentElement.classList.add("js");
  const $ = (selector, root = document) => root.querySelector(selector);
  const say = (text) => { $("#busy").textContent = text; };

  const submit = (form) => form.requestSubmit ? form.requestSubmit() : form.submit();

  // Ticks are kept at once.
  document.addEventListener("change", (e) => {
    if (e.target.matches(".tick")) submit(e.target.form);
  });

  document.addEventListener("click", (e) => {
    if (e.target.closest("#show-keys")) $("#keys").showModal();
    const wave = e.target.closest("[data-wave]");
    if (wave) waveDo(wave.dataset.wave);
  });

  document.addEventListener("htmx:beforeRequest", () => say("working …"));
  document.addEventListener("htmx:afterRequest", () => say(""));
  document.addEventListener("htmx:sendError", () => say("The application does not answer. Is it still running?"));
  // What was refused is told beside the form, and what was typed stays in it; forms without a field to mend show a page of its own.
  document.addEventListener("htmx:beforeSwap", (e) => {
    const form = e.detail.requestConfig && e.detail.requestConfig.elt.closest("form");
    const fields = form && form.querySelector("input:not([type=hidden], [type=checkbox], [type=radio], [type=file]), textarea");
    if (!fields || ![400, 409, 422].includes(e.detail.xhr.status)) return;
    const fault = new DOMParser().parseFromString(e.detail.serverResponse, "text/html").querySelector(".fault .detail");
    if (!fault) return;
    e.detail.shouldSwap = false;
    taken(form);
    const told = document.createElement("p");
    told.className = "refused";
    told.setAttribute("role", "alert");
    told.textContent = fault.textContent;
    form.append(told);
    if (fault.dataset.version) form.elements.version.value = fault.dataset.version;
    const wrong = form.elements[fault.dataset.field];
    if (wrong && wrong.focus) { wrong.setAttribute("aria-invalid", "true"); wrong.focus(); }
  });
  const taken = (form) => {
    for (const old of form.querySelectorAll(".refused")) old.remove();
    for (const field of form.querySelectorAll("[aria-invalid]")) field.removeAttribute("aria-invalid");
  };
  document.addEventListener("htmx:xhr:progress", (e) => {
    if (e.detail.lengthComputable && e.detail.total > 1e6) say(`uploaded ${Math.round(100 * e.detail.loaded / e.detail.total)} %`);
  });

  // The editor of own items: rows from a spreadsheet go to the server, which knows the columns; fields that are wrong are marked.
  document.addEventListener("paste", (e) => {
    const table = e.target.closest && e.target.closest("table.cells");
    const text = e.clipboardData ? e.clipboardData.getData("text/plain") : "";
    if (!table || !/[\t\n]/.test(text.trim()) || !$(`#take-pasted[value="paste:${table.dataset.sheet}"]`)) return;
    e.preventDefault();
    $("#pasted").value = text;
    $("#take-pasted").click();
  });
  document.addEventListener("htmx:afterSwap", () => {
    const verdict = $("#verdict");
    if (!verdict) return;
    const wrong = new Set([...verdict.querySelectorAll("[data-field]")].map((a) => a.dataset.field));
    for (const field of document.querySelectorAll("#own-form [name^='/']")) {
      if (wrong.has(field.name)) field.setAttribute("aria-invalid", "true"); else field.removeAttribute("aria-invalid");
    }
  });
  document.addEventListener("click", (e) => {
    const link = e.target.closest("a[data-field]");
    const field = link && document.getElementById(link.dataset.field);
    if (field) {
      e.preventDefault();
      if (field.closest("details")) field.closest("details").open = true;
      field.scrollIntoView({ block: "center" });
      field.focus({ preventScroll: true });
    }
  });

  // A finding that comes again with its repairs stays open where it was opened meanwhile.
  document.addEventListener("htmx:beforeSwap", (e) => {
    if (e.detail.target.matches("details.finding[open]")) e.detail.serverResponse = e.detail.serverResponse.replace("<details ", "<details open ");
  });

  // Keys
  const typing = (el) => el.matches("input, select, textarea, [contenteditable]") && el.type !== "checkbox" && el.type !== "radio";
  document.addEventListener("keydown", (e) => {
    if (e.ctrlKey || e.metaKey || e.altKey || typing(e.target)) return;
    if (e.target.closest(".knot[data-options]") && knotKey(e)) return;
    if (e.target.closest(".knot") && (e.key === "s" || e.key === "l") && mark(e.target.closest(".knot"), e.key)) return;
    if (e.target.id === "wave" && waveKey(e)) return;
    if (e.key === "?") { $("#keys").showModal(); e.preventDefault(); return; }
    if (e.key === "u" || e.key === "r") {
      const button = $(e.key === "u" ? "#undo" : "#redo");
      if (button && !button.disabled) button.click();
      return;
    }
    if (e.key === "ArrowDown" || e.key === "ArrowUp") {
      const link = e.target.closest(".talk .at a");
      if (link) { moveLine(link, e.key === "ArrowDown" ? 1 : -1); e.preventDefault(); }
      return;
    }
    const link = $(`[data-key="${CSS.escape(e.key)}"]`);
    if (!link) return;
    if (link.matches("input")) { link.focus(); link.select(); e.preventDefault(); } else link.click();
  });

  const moveLine = (link, step) => {
    const links = [...document.querySelectorAll(".talk .at a")];
    const next = links[links.indexOf(link) + step];
    if (next) { next.focus(); waveShow(+next.dataset.from, +next.dataset.to); }
  };

  // Knots
  let moving = null;
  const columnX = (target) => +$(`.column[data-target="${CSS.escape(target)}"]`).dataset.x;
  const place = (knot, x) => knot.setAttribute("transform", `translate(${x},${knot.dataset.y})`);
  const options = (knot) => knot.dataset.options.split(" ").map((t) => ({ target: t, x: columnX(t) })).sort((a, b) => a.x - b.x);
  const offer = (knot, option) => {
    moving = { knot, option };
    knot.classList.add("moving");
    place(knot, option.x);
    const name = option.target.split(":")[1];
    knot.setAttribute("aria-valuetext", name);
    say(`${knot.dataset.line.replace(":", " ")} → ${name}; Enter keeps it, Esc leaves it`);
    judge({ from: knot.dataset.line, to: option.target }, name, option.x === +knot.dataset.x, () => moving && moving.option === option);
  };
  // Dropped on another knot, both change places.
  const offerSwap = (knot, other) => {
    if (moving && moving.other === other) return;
    leave();
    moving = { knot, other };
    knot.classList.add("moving");
    other.classList.add("could");
    place(knot, other.dataset.x);
    judgeSwap(knot.dataset.line, other.dataset.line, () => moving && moving.other === other);
  };
  const judgeSwap = (a, b, wanted) => {
    const words = `${a.replace(":", " ")} ⇄ ${b.replace(":", " ")}`;
    say(`${words} change places`);
    judge({ from: a, with: b }, words, false, wanted);
  };

  // What the move would bring, told before it is made.
  let judging = null;
  const judge = (what, words, nothing, wanted) => {
    clearTimeout(judging);
    const line = $("#verdict-line");
    if (!line) return;
    if (nothing) { line.textContent = ""; return; }
    judging = setTimeout(async () => {
      const plan = location.pathname.match(/^\/plans\/\d+/);
      const answer = await fetch(`${plan}/verdict?${new URLSearchParams(what)}`).catch(() => null);
      if (!answer || !answer.ok || !wanted()) return;
      const v = await answer.json();
      const count = (n, word) => n === 0 ? "" : `${Math.abs(n)} ${word}${Math.abs(n) === 1 ? "" : word === "fix" ? "es" : "s"} ${n > 0 ? "more" : "fewer"}`;
      const counts = [count(v.stops, "stop"), count(v.fixes, "fix")].filter((t) => t).join(", ");
      line.textContent = `${words}: ${counts || "as good as now"}${v.says.length ? ". " + v.says.join(" ") : ""}`;
      line.classList.toggle("warn", v.stops > 0);
    }, 60);
  };
  const leave = () => {
    if (!moving) return;
    moving.knot.classList.remove("moving");
    if (moving.other) moving.other.classList.remove("could");
    clearTimeout(judging);
    if ($("#verdict-line")) $("#verdict-line").textContent = "";
    place(moving.knot, moving.knot.dataset.x);
    moving = null;
    say("");
  };
  const keep = () => {
    const { knot, option, other } = moving;
    if (other) { swap(knot, other.dataset.line); return; }
    if (option.x === +knot.dataset.x) { leave(); return; }
    const form = $("#move");
    form.elements.from.value = knot.dataset.line;
    form.elements.to.value = option.target;
    moving = null;
    refocus = knot.id;
    submit(form);
  };
  // What a pin could do: its functions in words, and the knots that could move there.
  const showPin = (target) => {
    for (const knot of document.querySelectorAll(".knot")) {
      knot.classList.toggle("could", !!target && (knot.dataset.options || "").split(" ").includes(target));
    }
    for (const column of document.querySelectorAll(".column")) column.classList.toggle("chosen", column.dataset.target === target);
    const line = $("#verdict-line");
    if (!line) return;
    line.classList.remove("warn");
    const column = target && $(`.column[data-target="${CSS.escape(target)}"]`);
    const could = document.querySelectorAll(".knot.could").length;
    line.textContent = column ? `${target.split(":")[1]} can: ${column.dataset.able}. ${could} of the lines shown could be here.` : "";
  };
  document.addEventListener("change", (e) => { if (e.target.id === "pin-could") showPin(e.target.value); });
  document.addEventListener("click", (e) => {
    const column = e.target.closest(".weave.heads .column.pin");
    if (!column) return;
    const target = column.classList.contains("chosen") ? "" : column.dataset.target;
    if ($("#pin-could")) $("#pin-could").value = target;
    showPin(target);
  });

  // s on two knots swaps them; l locks one.
  let swapping = null;
  const mark = (knot, key) => {
    if (key === "l") {
      const form = $("#lock");
      form.elements.from.value = knot.dataset.line;
      refocus = knot.id;
      submit(form);
      return true;
    }
    if (!swapping || swapping === knot.dataset.line) {
      swapping = swapping ? null : knot.dataset.line;
      say(swapping ? `${swapping.replace(":", " ")} changes places with the knot where you press s next` : "");
      return true;
    }
    swap(knot, swapping);
    return true;
  };
  const swap = (knot, line) => {
    const form = $("#swap");
    form.elements.a.value = line;
    form.elements.b.value = knot.dataset.line;
    swapping = moving = null;
    refocus = knot.id;
    submit(form);
  };
  // The verdict on a swap stands there as soon as the other knot has the focus.
  document.addEventListener("focusin", (e) => {
    const knot = e.target.closest && e.target.closest(".knot[data-options]");
    if (swapping && knot && knot.dataset.line !== swapping) judgeSwap(swapping, knot.dataset.line, () => !!swapping && document.activeElement === knot);
  });

  // The picture of the weave as pixels: drawn by the browser from the same file.
  document.addEventListener("click", async (e) => {
    const button = e.target.closest("[data-svg]");
    if (!button) return;
    const svg = await (await fetch(button.dataset.svg)).text();
    const image = new Image();
    image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg)}`;
    await image.decode();
    const canvas = document.createElement("canvas");
    canvas.width = 2 * image.width;
    canvas.height = 2 * image.height;
    canvas.getContext("2d").drawImage(image, 0, 0, canvas.width, canvas.height);
    const link = document.createElement("a");
    link.href = canvas.toDataURL("image/png");
    link.download = "pins.png";
    link.click();
  });
  let refocus = null;
  const knotKey = (e) => {
    const knot = e.target.closest(".knot");
    const list = options(knot);
    const here = moving && moving.knot === knot ? moving.option.x : +knot.dataset.x;
    if (e.key === "ArrowRight" || e.key === "ArrowLeft") {
      const next = e.key === "ArrowRight" ? list.find((o) => o.x > here) : list.filter((o) => o.x < here).pop();
      if (next) offer(knot, next);
    } else if (e.key === "ArrowDown" || e.key === "ArrowUp") {
      leave();
      const knots = [...document.querySelectorAll(".knot[data-options]")];
      const next = knots[knots.indexOf(knot) + (e.key === "ArrowDown" ? 1 : -1)];
      if (next) next.focus();
    } else if (e.key === "Enter" && moving) {
      keep();
    } else if (e.key === "Escape") {
      leave();
    } else {
      return false;
    }
    e.preventDefault();
    return true;
  };
  document.addEventListener("focusout", (e) => { if (moving && e.target === moving.knot) leave(); });
  document.addEventListener("pointerdown", (e) => {
    const knot = e.target.closest && e.target.closest(".knot[data-options]");
    if (!knot || e.button !== 0) return;
    e.preventDefault();
    knot.focus();
    const svg = knot.ownerSVGElement;
    const list = options(knot);
    const move = (ev) => {
      const p = new DOMPoint(ev.clientX, ev.clientY).matrixTransform(svg.getScreenCTM().inverse());
      const placed = [...svg.querySelectorAll(".knot[data-options]:not(.none)")];
      const other = !knot.matches(".none") && placed.find((k) => k !== knot && Math.abs(k.dataset.x - p.x) < 9 && Math.abs(k.dataset.y - p.y) < 9);
      if (other) { offerSwap(knot, other); return; }
      if (moving && moving.other) leave();
      offer(knot, list.reduce((a, b) => Math.abs(b.x - p.x) < Math.abs(a.x - p.x) ? b : a));
    };
    const up = () => {
      document.removeEventListener("pointermove", move);
      document.removeEventListener("pointerup", up);
      document.removeEventListener("pointercancel", cancel);
      if (moving) keep();
    };
    const cancel = () => { document.removeEventListener("pointermove", move); document.removeEventListener("pointerup", up); leave(); };
    document.addEventListener("pointermove", move);
    document.addEventListener("pointerup", up);
    document.addEventListener("pointercancel", cancel, { once: true });
  });

  // Wave
  let view = null;
  const LEFT = 60;
  const canvas = () => $("#wave");
  const waveShow = (from, to) => {
    const c = canvas();
    if (!c) return;
    const first = +c.dataset.first, last = +c.dataset.last;
    const span = Math.max(40, to - from);
    const margin = span * 0.05;
    view = { from: Math.max(first, Math.floor(from - margin)), to: Math.min(last + 1, Math.ceil(from + span + margin)) };
    if (view.to <= view.from) view.to = view.from + 40;
    draw();
  };
  const waveDo = (what) => {
    const c = canvas();
    if (!c || !view) return;
    const first = +c.dataset.first, last = +c.dataset.last, span = view.to - view.from, mid = (view.from + view.to) / 2;
    if (what === "all") { waveShow(first, last); return; }
    if (what === "in") view = { from: mid - span / 4, to: mid + span / 4 };
    if (what === "out") view = { from: mid - span, to: mid + span };
    if (what === "left") view = { from: view.from - span / 3, to: view.to - span / 3 };
    if (what === "right") view = { from: view.from + span / 3, to: view.to + span / 3 };
    clampView(first, last);
    draw();
  };
  const clampView = (first, last) => {
    const span = Math.min(Math.max(40, view.to - view.from), last + 1 - first);
    const from = Math.min(Math.max(first, view.from), Math.max(first, last + 1 - span));
    view = { from: Math.floor(from), to: Math.ceil(from + span) };
  };
  const waveKey = (e) => {
    const keys = { "+": "in", "=": "in", "-": "out", ArrowLeft: "left", ArrowRight: "right", "0": "all" };
    if (!keys[e.key]) return false;
    waveDo(keys[e.key]);
    e.preventDefault();
    return true;
  };
  document.addEventListener("wheel", (e) => {
    if (e.target.id === "wave" && e.ctrlKey) { e.preventDefault(); waveDo(e.deltaY < 0 ? "in" : "out"); }
  }, { passive: false });
  let grabbed = null;
  document.addEventListener("pointerdown", (e) => { if (e.target.id === "wave") grabbed = { x: e.clientX, from: view.from, to: view.to }; });
  document.addEventListener("pointermove", (e) => {
    const c = canvas();
    if (!grabbed || !c) return;
    const shift = (grabbed.x - e.clientX) / c.clientWidth * (grabbed.to - grabbed.from);
    view = { from: grabbed.from + shift, to: grabbed.to + shift };
    clampView(+c.dataset.first, +c.dataset.last);
    draw();
  });
  document.addEventListener("pointerup", (e) => {
    if (grabbed && Math.abs(e.clientX - grabbed.x) < 4 && e.target.id === "wave") lineAt(e);
    grabbed = null;
  });
  // A click on the wave selects the line that was said there; one on another page is asked for.
  const lineAt = (e) => {
    const c = canvas(), box = c.getBoundingClientRect(), x = e.clientX - box.left - LEFT;
    if (x < 0) return;
    const tick = Math.floor(view.from + x / (box.width - LEFT) * (view.to - view.from));
    const links = [...document.querySelectorAll(".talk .at a")];
    const link = links.find((a) => +a.dataset.from <= tick && tick <= +a.dataset.to);
    if (link) { link.click(); return; }
    const jump = $("#jump");
    jump.href = `${jump.dataset.base}?at=${tick}`;
    jump.click();
  };

  const time = (ticks, fs) => {
    const s = ticks * fs / 1e15;
    const [div, unit] = Math.abs(s) >= 1 ? [1, "s"] : Math.abs(s) >= 1e-3 ? [1e-3, "ms"] : [1e-6, "µs"];
    return `${(s / div).toFixed(3).replace(/\.?0+$/, "")} ${unit}`;
  };
  let asked = 0;
  const draw = async () => {
    const c = canvas();
    if (!c || !view) return;
    const mine = ++asked;
    const scale = window.devicePixelRatio || 1;
    const left = LEFT, columns = Math.max(50, Math.floor(c.clientWidth - left));
    const stretch = `from=${Math.floor(view.from)}&to=${Math.ceil(view.to)}`;
    const [answer, told] = await Promise.all([fetch(`${c.dataset.url}?${stretch}&columns=${columns}`), fetch(`${c.dataset.labels}?${stretch}`)]);
    if (!answer.ok || mine !== asked) return;
    const data = new Uint8Array(await answer.arrayBuffer()), labels = told.ok ? await told.json() : [];
    if (mine !== asked) return;
    c.width = c.clientWidth * scale;
    c.height = c.clientHeight * scale;
    const g = c.getContext("2d");
    const css = getComputedStyle(document.documentElement);
    const ink = (name) => css.getPropertyValue(name).trim();
    g.scale(scale, scale);
    g.clearRect(0, 0, c.clientWidth, c.clientHeight);
    g.font = "12px 'Izzet Text', sans-serif";
    [[c.dataset.scl, "--ink", 12], [c.dataset.sda, "--i2c", 54]].forEach(([name, colour, y], i) => {
      g.fillStyle = ink("--soft");
      g.fillText(name.split(".").pop().slice(0, 9), 0, y + 18);
      g.strokeStyle = ink(colour);
      g.beginPath();
      const at = (level) => y + (level === 1 ? 0 : level === 0 ? 26 : 13);
      let last = -1;
      for (let x = 0; x < columns; x++) {
        const b = data[i * columns + x], px = left + x + 0.5, end = b >> 4 & 3;
        const both = (b & 3) === 3;
        if (both) { g.moveTo(px, at(0)); g.lineTo(px, at(1)); }
        g.moveTo(last < 0 || both ? px - 0.5 : px - 1, at(last < 0 || both ? end : last));
        g.lineTo(px, at(end));
        last = end;
      }
      g.stroke();
    });
    const perTick = columns / (view.to - view.from);
    labels.forEach((l) => {
      const x = left + (l.from - view.from) * perTick, width = (l.to - l.from) * perTick;
      g.strokeStyle = ink("--rule");
      g.beginPath(); g.moveTo(Math.max(left, x), 8); g.lineTo(Math.max(left, x), 98); g.stroke();
      g.fillStyle = ink(l.heard ? "--soft" : "--stop");
      const text = l.heard ? l.text : `${l.text} ✕`;
      if (x >= left - 2 && g.measureText(text).width + 6 < width) g.fillText(text, x + 4, 96);
    });
    const fs = +c.dataset.fs;
    g.fillStyle = ink("--soft");
    g.strokeStyle = ink("--rule");
    for (let k = 0; k <= 4; k++) {
      const x = left + columns * k / 4;
      g.textAlign = k === 0 ? "left" : k === 4 ? "right" : "center";
      g.fillText(time(view.from + (view.to - view.from) * k / 4, fs), x, 116);
    }
    g.textAlign = "left";
    c.dataset.drawn = `${Math.floor(view.from)}-${Math.ceil(view.to)}`;
  };

  // After each swap: the wave follows the selected line, the focus stays at the moved knot, the title is set by htmx.
  const ready = () => {
    const c = canvas();
    if (c) waveShow(+c.dataset.from, +c.dataset.to);
    if (refocus) { const el = document.getElementById(refocus); refocus = null; if (el) el.focus(); }
  };
  document.addEventListener("htmx:afterSettle", ready);
  window.addEventListener("resize", draw);
  ready();
})();

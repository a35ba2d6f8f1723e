// The glass of a part through a record: frames are run back and forth in the browser.
const KEYS_EVERY = 64;
const CELL = 12;
const TALL = 20;

const bytesOf = (base64) => Uint8Array.from(atob(base64), (c) => c.charCodeAt(0));

const seconds = (s) => (Math.abs(s) >= 1 ? `${s.toFixed(3)} s` : Math.abs(s) >= 1e-3 ? `${(s * 1e3).toFixed(3)} ms` : `${(s * 1e6).toFixed(1)} µs`);

// Pictures of a glass of pixels: whole ones now and then, and what changed between them.
class Reel {
  constructor(told) {
    this.told = told;
    this.size = told.columns * told.rows;
    this.keys = [];
    let now = new Uint32Array(this.size);
    told.frames.forEach((frame, i) => {
      this.change(now, frame);
      if (i % KEYS_EVERY === 0) this.keys.push(now.slice());
    });
    this.now = new Uint32Array(this.size);
    this.at = -1;
  }

  change(pixels, frame) {
    const rgb = frame.rgb === undefined ? null : frame.bytes || (frame.bytes = bytesOf(frame.rgb));
    let k = 0;
    for (let r = 0; r < frame.runs.length; r += 2) {
      for (let i = frame.runs[r]; i < frame.runs[r] + frame.runs[r + 1]; i++, k++) {
        pixels[i] = rgb ? rgb[3 * k] << 16 | rgb[3 * k + 1] << 8 | rgb[3 * k + 2] : frame.bits[k] === "1" ? 0xdff1ff : 0;
      }
    }
  }

  seek(index) {
    const key = Math.floor(index / KEYS_EVERY);
    if (this.at < key * KEYS_EVERY || this.at > index) {
      this.now.set(this.keys[key]);
      this.at = key * KEYS_EVERY;
    }
    while (this.at < index) this.change(this.now, this.told.frames[++this.at]);
    return this.now;
  }
}

export default () => {
  let told = null, reel = null, index = 0, running = 0, speed = 1, marked = null;

  return {
    when: "",
    state: "",
    there: "",
    waiting: true,
    playing: "Play",
    marking: "Compare with now",

    async init() {
      const answer = await fetch(this.$root.dataset.url);
      if (!answer.ok) {
        this.state = "The pictures could not be read.";
        return;
      }
      told = await answer.json();
      if (!told.frames.length) return;
      if (!told.text) reel = new Reel(told);
      this.slider().max = told.frames.length - 1;
      this.waiting = false;
      this.show(this.frameAt(+this.$root.dataset.at));
    },

    destroy() {
      cancelAnimationFrame(running);
    },

    slider() { return this.$root.querySelector("input[type=range]"); },

    frameAt(tick) {
      let low = 0, high = told.frames.length - 1;
      while (low < high) {
        const middle = Math.ceil((low + high) / 2);
        if (told.frames[middle].t <= tick) low = middle; else high = middle - 1;
      }
      return low;
    },

    show(next) {
      index = Math.min(Math.max(0, next), told.frames.length - 1);
      const frame = told.frames[index];
      this.slider().value = index;
      this.when = `${seconds((frame.t) * told.femtoseconds / 1e15)}, picture ${index + 1} of ${told.frames.length}`;
      this.there = `${this.$root.dataset.jump}&at=${frame.t}`;
      const differs = told.text ? this.text(frame) : this.pixels();
      this.state = [frame.state ? `It is ${frame.state}.` : "", differs].join(" ").trim();
      this.$root.dataset.shown = index;
    },

    pixels() {
      const canvas = this.$root.querySelector("canvas"), g = canvas.getContext("2d");
      const now = reel.seek(index), image = g.createImageData(told.columns, told.rows);
      let differing = 0;
      for (let i = 0; i < now.length; i++) {
        const other = marked && marked.pixels[i] !== now[i];
        differing += other ? 1 : 0;
        const c = other ? 0xffb000 : now[i];
        image.data[4 * i] = c >> 16;
        image.data[4 * i + 1] = c >> 8 & 255;
        image.data[4 * i + 2] = c & 255;
        image.data[4 * i + 3] = 255;
      }
      g.putImageData(image, 0, 0);
      return marked ? `${differing} pixels differ from ${marked.when}.` : "";
    },

    text(frame) {
      const svg = this.$root.querySelector("svg"), made = (name, at, words) => {
        const el = document.createElementNS("http://www.w3.org/2000/svg", name);
        for (const [k, v] of Object.entries(at)) el.setAttribute(k, v);
        if (words) el.textContent = words;
        svg.append(el);
      };
      svg.replaceChildren();
      let differing = 0;
      frame.lines.forEach((line, row) => [...line].forEach((c, column) => {
        const x = 3 + column * CELL, y = 3 + row * TALL, cell = row * told.columns + column;
        const other = marked && marked.lines[row][column] !== c;
        differing += other ? 1 : 0;
        made("rect", { x, y, width: CELL - 1, height: TALL - 2, class: other ? "cell other" : "cell" });
        const own = c < " " ? frame.glyphs[c.charCodeAt(0)] : null;
        if (own) {
          own.forEach((bits, r) => [0, 1, 2, 3, 4].filter((b) => bits >> 4 - b & 1)
            .forEach((b) => made("rect", { x: x + 0.5 + b * 2, y: y + 1 + r * 2, width: 1.8, height: 1.8, class: "dot" })));
        } else if (c > " ") {
          made("text", { x: x + CELL / 2 - 0.5, y: y + 14, class: "letter" }, c);
        }
        if (cell === frame.cursor) made("rect", { x, y: y + TALL - 4, width: CELL - 1, height: 1.6, class: "dot" });
      }));
      svg.setAttribute("aria-label", `${this.$root.dataset.name} shows: ${frame.lines.join(" / ")}`);
      return marked ? `${differing} characters differ from ${marked.when}.` : "";
    },

    // Its own glyphs go into the tool that draws them.
    glyphs() {
      if (!told) return;
      const rows = Object.values(told.frames[index].glyphs).flat().map((b) => b.toString(2).padStart(5, "0").replace(/1/g, "#").replace(/0/g, "."));
      const [slot] = Object.keys(told.frames[index].glyphs);
      if (!rows.length) {
        this.state = "No glyph of its own was written until now.";
        return;
      }
      this.$root.querySelector(".to-glyphs").href = `/tools/glyph?slot=${slot}&rows=${encodeURIComponent(rows.join("\n"))}`;
    },

    // A glass of characters as a picture file, as it is drawn now.
    picture() {
      if (!told) return;
      const frame = told.frames[index], scale = 4, canvas = document.createElement("canvas"), g = canvas.getContext("2d");
      canvas.width = (told.columns * CELL + 6) * scale;
      canvas.height = (told.rows * TALL + 6) * scale;
      g.scale(scale, scale);
      g.fillStyle = "#173f5f";
      g.fillRect(0, 0, canvas.width, canvas.height);
      g.font = "15px 'Izzet Mono', monospace";
      g.textAlign = "center";
      frame.lines.forEach((line, row) => [...line].forEach((c, column) => {
        const x = 3 + column * CELL, y = 3 + row * TALL, own = c < " " ? frame.glyphs[c.charCodeAt(0)] : null;
        g.fillStyle = "#1f5178";
        g.fillRect(x, y, CELL - 1, TALL - 2);
        g.fillStyle = "#f2f8ff";
        if (own) {
          own.forEach((bits, r) => [0, 1, 2, 3, 4].filter((b) => bits >> 4 - b & 1)
            .forEach((b) => g.fillRect(x + 0.5 + b * 2, y + 1 + r * 2, 1.8, 1.8)));
        } else if (c > " ") {
          g.fillText(c, x + CELL / 2 - 0.5, y + 14);
        }
      }));
      const a = document.createElement("a");
      a.href = canvas.toDataURL("image/png");
      a.download = `${this.$root.dataset.name.replace(/[^\w-]+/g, "-")}.png`;
      a.click();
    },

    scrub(e) { this.stop(); this.show(+e.target.value); },

    key(e) {
      const to = { ArrowLeft: index - 1, ArrowRight: index + 1, Home: 0, End: Infinity }[e.key];
      if (to === undefined || !told) return;
      e.preventDefault();
      e.stopPropagation();
      this.stop();
      this.show(to);
    },

    pace(e) { speed = +e.target.value; },

    mark() {
      if (!told) return;
      marked = marked ? null : { when: this.when, pixels: reel ? reel.seek(index).slice() : null, lines: told.frames[index].lines };
      this.marking = marked ? "Stop comparing" : "Compare with now";
      this.show(index);
    },

    stop() {
      cancelAnimationFrame(running);
      running = 0;
      this.playing = "Play";
    },

    play() {
      if (running || !told) {
        this.stop();
        return;
      }
      if (index === told.frames.length - 1) this.show(0);
      const from = told.frames[index].t, began = performance.now();
      const step = (now) => {
        const tick = from + (now - began) * speed * 1e12 / told.femtoseconds;
        const next = this.frameAt(tick);
        if (next !== index) this.show(next);
        if (next === told.frames.length - 1) this.stop(); else running = requestAnimationFrame(step);
      };
      this.playing = "Stop";
      running = requestAnimationFrame(step);
    },
  };
};

// Draws a stretch of the lines of a bus on a canvas, with the bytes under it. The server sends only what is visible.
const LEFT = 60;
const LEAST_TICKS = 40;
const LEAST_COLUMNS = 50;
const COLOURS = ["--ink", "--i2c", "--spi", "--soft"];

const time = (ticks, femtoseconds) => {
  const s = ticks * femtoseconds / 1e15;
  const [div, unit] = Math.abs(s) >= 1 ? [1, "s"] : Math.abs(s) >= 1e-3 ? [1e-3, "ms"] : [1e-6, "µs"];
  return `${(s / div).toFixed(3).replace(/\.?0+$/, "")} ${unit}`;
};

export class Wave {
  constructor(canvas) {
    this.canvas = canvas;
    this.first = +canvas.dataset.first;
    this.last = +canvas.dataset.last;
    this.asked = 0;
    this.roles = canvas.dataset.roles.split(" ");
    // Two lines have room; many share it. The style sheet has the heights.
    this.step = this.roles.length > 4 ? 22 : 42;
    this.tall = this.roles.length > 4 ? 14 : 26;
    this.foot = 12 + this.roles.length * this.step;
    this.show(+canvas.dataset.from, +canvas.dataset.to);
  }

  // From and to with a margin at both sides.
  show(from, to) {
    const span = Math.max(LEAST_TICKS, to - from);
    const margin = span * 0.05;
    this.from = Math.max(this.first, Math.floor(from - margin));
    this.to = Math.min(this.last + 1, Math.ceil(from + span + margin));
    if (this.to <= this.from) this.to = this.from + LEAST_TICKS;
    this.draw();
  }

  all() {
    this.show(this.first, this.last);
  }

  zoom(factor) {
    const half = factor * (this.to - this.from) / 2, middle = (this.from + this.to) / 2;
    this.view(middle - half, middle + half);
  }

  shift(part) {
    const by = part * (this.to - this.from);
    this.view(this.from + by, this.to + by);
  }

  view(from, to) {
    const whole = this.last + 1 - this.first;
    const span = Math.min(Math.max(LEAST_TICKS, to - from), whole);
    const start = Math.min(Math.max(this.first, from), Math.max(this.first, this.last + 1 - span));
    this.from = Math.floor(start);
    this.to = Math.ceil(start + span);
    this.draw();
  }

  // Tick at a place of the page; null left of the wave.
  tickAt(clientX) {
    const box = this.canvas.getBoundingClientRect(), x = clientX - box.left - LEFT;
    return x < 0 ? null : Math.floor(this.from + x / (box.width - LEFT) * (this.to - this.from));
  }

  async draw() {
    const mine = ++this.asked;
    const c = this.canvas;
    const columns = Math.max(LEAST_COLUMNS, Math.floor(c.clientWidth - LEFT));
    const stretch = `from=${Math.floor(this.from)}&to=${Math.ceil(this.to)}`;
    const [answer, told] = await Promise.all([fetch(`${c.dataset.url}${stretch}&columns=${columns}`), fetch(`${c.dataset.labels}${stretch}`)]);
    if (!answer.ok || mine !== this.asked) return;
    const data = new Uint8Array(await answer.arrayBuffer()), labels = told.ok ? await told.json() : [];
    if (mine === this.asked) this.paint(data, labels, columns);
  }

  paint(data, labels, columns) {
    const c = this.canvas;
    const scale = window.devicePixelRatio || 1;
    c.width = c.clientWidth * scale;
    c.height = c.clientHeight * scale;
    const g = c.getContext("2d");
    const css = getComputedStyle(document.documentElement);
    const ink = (name) => css.getPropertyValue(name).trim();
    g.scale(scale, scale);
    g.clearRect(0, 0, c.clientWidth, c.clientHeight);
    g.font = "13px 'Izzet Text', sans-serif";
    this.roles.forEach((name, i) => {
      const y = 12 + i * this.step;
      g.fillStyle = ink("--soft");
      g.fillText(name, 0, y + this.tall - 8 + 4);
      g.strokeStyle = ink(COLOURS[Math.min(i, COLOURS.length - 1)]);
      this.line(g, data.subarray(i * columns, (i + 1) * columns), y);
    });
    this.bytes(g, labels, columns, ink);
    this.scale(g, columns, ink);
    c.dataset.drawn = `${Math.floor(this.from)}-${Math.ceil(this.to)}`;
  }

  line(g, data, y) {
    const at = (level) => y + (level === 1 ? 0 : level === 0 ? this.tall : this.tall / 2);
    let last = -1;
    g.beginPath();
    data.forEach((b, x) => {
      const px = LEFT + x + 0.5, end = b >> 4 & 3, both = (b & 3) === 3, fresh = last < 0 || both;
      if (both) {
        g.moveTo(px, at(0));
        g.lineTo(px, at(1));
      }
      g.moveTo(fresh ? px - 0.5 : px - 1, at(fresh ? end : last));
      g.lineTo(px, at(end));
      last = end;
    });
    g.stroke();
  }

  bytes(g, labels, columns, ink) {
    const perTick = columns / (this.to - this.from);
    for (const l of labels) {
      const x = LEFT + (l.from - this.from) * perTick, width = (l.to - l.from) * perTick;
      g.strokeStyle = ink("--rule");
      g.beginPath();
      g.moveTo(Math.max(LEFT, x), 8);
      g.lineTo(Math.max(LEFT, x), this.foot + 2);
      g.stroke();
      g.fillStyle = ink(l.heard ? "--soft" : "--stop");
      const text = l.heard ? l.text : `${l.text} ✕`;
      if (x >= LEFT - 2 && g.measureText(text).width + 6 < width) g.fillText(text, x + 4, this.foot);
    }
  }

  scale(g, columns, ink) {
    g.fillStyle = ink("--soft");
    // On a phone five would run into each other.
    const parts = columns < 480 ? 2 : 4;
    for (let k = 0; k <= parts; k++) {
      g.textAlign = k === 0 ? "left" : k === parts ? "right" : "center";
      g.fillText(time(this.from + (this.to - this.from) * k / parts, +this.canvas.dataset.fs), LEFT + columns * k / parts, this.foot + 21);
    }
    g.textAlign = "left";
  }
}

// The dots of the first glyph of the table, by pointer or arrow keys; the table below is what is sent.
const WIDTH = 5;
const HEIGHT = 8;

export default () => ({
  init() {
    const rows = this.rows();
    if (rows) this.field().value = rows.join("\n");
    this.read();
  },

  field() { return this.$root.querySelector("#rows"); },

  buttons() { return [...this.$root.querySelectorAll(".dot-cell")]; },

  // Rows of dots of the table; null while it holds a byte table, which the server reads.
  rows() {
    const rows = this.field().value.trim().split(/\s+/);
    return rows.length >= HEIGHT && rows.every((r) => /^[#.]{5}$/.test(r)) ? rows : null;
  },

  read() {
    const rows = this.rows();
    this.buttons().forEach((b, i) => {
      b.setAttribute("aria-pressed", String(!!rows && rows[Math.floor(i / WIDTH)][i % WIDTH] === "#"));
    });
  },

  dot(e) {
    const rows = this.rows() || Array(HEIGHT).fill(".....");
    const { x, y } = e.currentTarget.dataset;
    const row = [...rows[y]];
    row[x] = row[x] === "#" ? "." : "#";
    rows[y] = row.join("");
    this.field().value = rows.join("\n");
    this.read();
    this.$root.dispatchEvent(new CustomEvent("drawn"));
  },

  key(e) {
    const by = { ArrowLeft: -1, ArrowRight: 1, ArrowUp: -WIDTH, ArrowDown: WIDTH }[e.key];
    const all = this.buttons(), next = all[all.indexOf(document.activeElement) + by];
    if (!by || !next) return;
    e.preventDefault();
    next.focus();
  },
});

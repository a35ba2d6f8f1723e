// A place to drop a file on: the file field covers it, here it only says what lies on it.
const KB = 1024;
const FIRST_ROWS = 64 * KB;

const size = (bytes) => (bytes < KB * KB ? `${Math.ceil(bytes / KB)} kB` : `${(bytes / KB / KB).toFixed(1)} MB`);

let press = Promise.resolve(), lifted = () => {};
document.addEventListener("pointerdown", () => { press = new Promise((done) => { lifted = done; }); }, true);
for (const end of ["pointerup", "pointercancel"]) document.addEventListener(end, () => { setTimeout(lifted); }, true);

export default () => ({
  words: "Drop a record here, or choose the file. Up to 1 GB.",

  idle: true,

  init() {
    this.$root.addEventListener("htmx:beforeRequest", () => { this.idle = false; });
    this.$root.addEventListener("htmx:afterRequest", () => { this.idle = true; });
  },

  stop() {
    window.htmx.trigger(this.$root, "htmx:abort");
  },

  over() {
    this.$root.classList.add("over");
  },

  left() {
    this.$root.classList.remove("over");
  },

  chosen(e) {
    const [file] = e.target.files;
    if (!file) return;
    this.words = `${file.name}, ${size(file.size)}`;
    this.$root.querySelector(".preview").replaceChildren();
  },

  // Of a table the first rows are shown as they will be read; each change of what is said beside it shows them anew.
  // Only the newest answer counts, none takes away what is being typed, and nothing moves under a pressed pointer.
  async changed(e) {
    const box = this.$root.querySelector(".preview"), [file] = this.$root.querySelector("[name=file]").files;
    if (!file || e.target.name === "keep" || !/\.(csv|txt|tsv)$/i.test(file.name)) return;
    const form = new FormData(this.$root), first = file.slice(0, FIRST_ROWS), asked = (this.asked ?? 0) + 1;
    this.asked = asked;
    box.setAttribute("aria-busy", "true");
    const text = await first.text(), whole = file.size > FIRST_ROWS ? text.slice(0, text.lastIndexOf("\n") + 1) : text;
    form.set("file", new Blob([whole]), file.name);
    const answer = await fetch(this.$root.dataset.preview, { method: "POST", body: form }), rows = answer.ok ? await answer.text() : null;
    await press;
    if (asked !== this.asked) return;
    box.removeAttribute("aria-busy");
    const at = box.contains(document.activeElement) ? document.activeElement : null, typed = at?.matches("input:not([type=radio])");
    if (rows === null || (typed && at.value !== form.get(at.name))) return;
    box.replaceChildren(...new DOMParser().parseFromString(rows, "text/html").body.childNodes);
    if (box.querySelector("[role=alert]")) this.$root.querySelector(".table-options").open = true;
    if (at?.name) box.querySelector(`[name="${CSS.escape(at.name)}"]:not([type=radio]), [name="${CSS.escape(at.name)}"]:checked`)?.focus();
  },
});

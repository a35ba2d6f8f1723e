// A place to drop a file on: the file field covers it, here it only says what lies on it.
const KB = 1024;
const FIRST_ROWS = 64 * KB;

const size = (bytes) => (bytes < KB * KB ? `${Math.ceil(bytes / KB)} kB` : `${(bytes / KB / KB).toFixed(1)} MB`);

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
  async changed(e) {
    const box = this.$root.querySelector(".preview"), [file] = this.$root.querySelector("[name=file]").files, { name } = e.target;
    if (!file || name === "keep" || !/\.(csv|txt|tsv)$/i.test(file.name)) return;
    const form = new FormData(this.$root), first = file.slice(0, FIRST_ROWS), text = await first.text();
    const whole = file.size > FIRST_ROWS ? text.slice(0, text.lastIndexOf("\n") + 1) : text;
    form.set("file", new Blob([whole]), file.name);
    const answer = await fetch(this.$root.dataset.preview, { method: "POST", body: form });
    if (!answer.ok) return;
    const page = new DOMParser().parseFromString(await answer.text(), "text/html");
    box.replaceChildren(...page.body.childNodes);
    if (box.querySelector("[role=alert]")) this.$root.querySelector(".table-options").open = true;
    if (name !== "file") box.querySelector(`[name="${CSS.escape(name)}"]:not([type=radio]), [name="${CSS.escape(name)}"]:checked`)?.focus();
  },
});

// A place to drop a file on: the file field covers it, here it only says what lies on it.
const KB = 1024;

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
    if (file) this.words = `${file.name}, ${size(file.size)}`;
  },
});

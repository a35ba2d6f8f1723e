// What surrounds every page: keys, help, and the line that says what goes on.
import { remember, restore } from "./autosave.js";
import { say } from "./busy.js";
import { keepOpen } from "./findings.js";
import { refused } from "./refused.js";

const typing = (el) => el.matches("input, select, textarea, [contenteditable]") && el.type !== "checkbox" && el.type !== "radio";

const uploaded = (e) => {
  const { lengthComputable, loaded, total } = e.detail;
  if (lengthComputable && total > 1e6) say(`uploaded ${Math.round(100 * loaded / total)} %`);
};

export default () => ({
  init() {
    const on = (name, does) => document.addEventListener(name, does);
    on("keydown", (e) => this.key(e));
    on("htmx:beforeRequest", () => say("working …"));
    on("htmx:afterRequest", () => say(""));
    on("htmx:sendError", () => say("The application does not answer. Is it still running?"));
    on("htmx:xhr:progress", uploaded);
    on("htmx:beforeSwap", refused);
    on("htmx:beforeSwap", keepOpen);
    on("htmx:beforeSwap", remember);
    on("htmx:afterSettle", restore);
    on("htmx:afterSwap", (e) => { if (e.detail.target.id === "drawer-body") this.pull(); });
  },

  help() {
    document.getElementById("keys").showModal();
  },

  // The drawer lies beside the station, which stays in use.
  pull() {
    const drawer = document.getElementById("drawer");
    if (drawer.open) return;
    drawer.show();
    drawer.querySelector("#tool input:not([type=hidden]), #tool textarea, #tool select")?.focus();
  },

  // What is written down is tied to what the page shows now.
  intoLog(e) {
    const link = e.currentTarget, here = window.location.pathname + window.location.search;
    link.href = `${link.href.split("?")[0]}?from=${encodeURIComponent(here)}`;
  },

  shut() {
    document.getElementById("drawer").close();
    document.querySelector("[aria-controls=drawer]")?.focus();
  },

  // A component that took the key has prevented its default.
  key(e) {
    if (e.defaultPrevented || e.ctrlKey || e.metaKey || e.altKey || typing(e.target)) return;
    if (e.key === "?") {
      this.help();
      e.preventDefault();
      return;
    }
    const named = { u: "undo", r: "redo" }[e.key];
    const target = named ? document.getElementById(named) : document.querySelector(`[data-key="${CSS.escape(e.key)}"]`);
    if (!target || target.disabled) return;
    if (target.matches("input")) {
      target.focus();
      target.select();
      e.preventDefault();
    } else {
      target.click();
    }
  },
});

// What surrounds every page: keys, help, and the line that says what goes on.
import { remember, restore } from "./autosave.js";
import { say } from "./busy.js";
import { keepOpen } from "./findings.js";
import { latest } from "./latest.js";
import { reading } from "./reading.js";
import { refused } from "./refused.js";

const typing = (el) => el.matches("input, select, textarea, [contenteditable]") && el.type !== "checkbox" && el.type !== "radio";

const uploaded = (e) => {
  const { lengthComputable, loaded, total } = e.detail;
  if (lengthComputable && total > 1e6) say(`uploaded ${Math.round(100 * loaded / total)} %`);
};

export default () => ({
  opener: null,

  init() {
    const on = (name, does) => document.addEventListener(name, does);
    on("keydown", (e) => this.key(e));
    on("htmx:beforeRequest", () => say("working …"));
    on("htmx:beforeSend", latest);
    on("htmx:afterRequest", () => say(""));
    on("htmx:configRequest", (e) => {
      if (e.detail.path === "/help" || e.detail.path === "/reach") e.detail.parameters.here = window.location.pathname;
    });
    on("htmx:sendError", () => say("The application does not answer. Is it still running?"));
    on("htmx:xhr:progress", uploaded);
    on("htmx:beforeSwap", refused);
    on("htmx:beforeSwap", keepOpen);
    on("htmx:beforeSwap", remember);
    on("htmx:afterSettle", restore);
    on("htmx:afterSettle", reading);
    reading();
    // What happens in the drawer is no place to come back to; htmx would push the address of a boosted link whatever hx-push-url says.
    on("htmx:beforeHistoryUpdate", (e) => {
      if (e.detail.target.id === "side-body") Object.assign(e.detail.history, { type: "replace", path: window.location.pathname + window.location.search });
    });
    on("htmx:afterSwap", (e) => { if (e.detail.target.id === "side-body") this.pull(e.detail.requestConfig.elt); });
  },

  help() {
    document.getElementById("keys").showModal();
  },

  // The drawer lies beside the station, which stays in use.
  pull(opener) {
    const drawer = document.getElementById("side");
    if (drawer.open) return;
    this.opener = opener;
    drawer.show();
    drawer.querySelector("#tool input:not([type=hidden]), #tool textarea, #tool select")?.focus();
  },

  // The command box: words, then the arrows among what was found.
  reach() {
    const box = document.getElementById("reach"), words = document.getElementById("reach-words");
    box.showModal();
    words.select();
    window.htmx.trigger(words, "opened");
  },

  first(e) {
    e.preventDefault();
    this.go(document.querySelector("#reached a"));
  },

  go(link) {
    if (!link) return;
    document.getElementById("reach").close();
    window.location.href = link.href;
  },

  alongFound(e) {
    const by = { ArrowDown: 1, ArrowUp: -1 }[e.key];
    if (!by) return;
    e.preventDefault();
    const all = [...document.querySelectorAll("#reached a")], next = all.indexOf(document.activeElement) + by;
    (next < 0 ? document.getElementById("reach-words") : all[Math.min(next, all.length - 1)])?.focus();
  },

  // What is written down is tied to what the page shows now.
  intoLog(e) {
    const link = e.currentTarget, here = window.location.pathname + window.location.search;
    link.href = `${link.href.split("?")[0]}?from=${encodeURIComponent(here)}`;
  },

  shut() {
    document.getElementById("side").close();
    this.opener?.focus();
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
      // Else the letter would be typed where the click moves the focus.
      e.preventDefault();
      target.click();
    }
  },
});

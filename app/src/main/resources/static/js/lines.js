// The list of lines: on a phone one part at a time, and the weave folded away.
const PHONE = "(max-width: 620px)";
const KEPT = "izzet.part";

export default () => ({
  init() {
    if (!window.matchMedia(PHONE).matches) return;
    const cloth = document.querySelector("details.cloth");
    if (cloth) cloth.open = false;
    const parts = this.buttons().map((b) => b.dataset.part);
    const kept = sessionStorage.getItem(KEPT);
    if (parts.length) this.show(parts.includes(kept) ? kept : parts[0]);
  },

  buttons() {
    return [...this.$root.querySelectorAll(".chips button")];
  },

  choose(e) {
    this.show(e.currentTarget.dataset.part);
  },

  show(part) {
    sessionStorage.setItem(KEPT, part);
    for (const button of this.buttons()) button.setAttribute("aria-pressed", String(button.dataset.part === part));
    for (const body of this.$root.querySelectorAll("tbody")) body.hidden = body.dataset.part !== part;
  },
});

// A list that hangs from a button: closes on Escape, on a choice and on a click elsewhere.
export default () => ({
  toggled() {
    if (this.$root.open) document.addEventListener("click", this.elsewhere);
    else document.removeEventListener("click", this.elsewhere);
  },

  init() {
    this.elsewhere = (e) => { if (!this.$root.contains(e.target)) this.$root.open = false; };
  },

  destroy() {
    document.removeEventListener("click", this.elsewhere);
  },

  close() {
    if (!this.$root.open) return;
    this.$root.open = false;
    this.$root.querySelector("summary").focus();
  },
});

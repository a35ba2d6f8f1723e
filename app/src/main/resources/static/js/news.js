// What happens to the plan elsewhere, as it happens. One stream for all pages of a plan; a page that is not looked at has none, since a
// browser opens only a few to one place.
const stream = { address: null, source: null };
// Our own change is told before its answer is here.
const WAIT = 1500;

const shut = () => {
  stream.source?.close();
  Object.assign(stream, { address: null, source: null });
};

const open = (address) => {
  if (stream.address === address || !("EventSource" in window)) return;
  shut();
  Object.assign(stream, { address, source: new EventSource(address) });
  stream.source.addEventListener("ticked", () => document.dispatchEvent(new Event("plan-ticked")));
  stream.source.addEventListener("edited", (e) => document.dispatchEvent(new CustomEvent("plan-edited", { detail: JSON.parse(e.data) })));
};

export default () => ({
  elsewhere: "",

  init() {
    this.listen = () => (document.hidden ? shut() : open(this.$root.dataset.news));
    this.edited = (e) => setTimeout(() => this.compare(e.detail), WAIT);
    document.addEventListener("visibilitychange", this.listen);
    document.addEventListener("plan-edited", this.edited);
    this.listen();
  },

  destroy() {
    document.removeEventListener("visibilitychange", this.listen);
    document.removeEventListener("plan-edited", this.edited);
    if (!document.querySelector("[data-news]")) shut();
  },

  compare({ version, done }) {
    if (this.$root.isConnected && version > Number(this.$root.dataset.version)) this.elsewhere = `Changed elsewhere; last: ${done}.`;
  },

  get quiet() {
    return this.elsewhere === "";
  },

  get address() {
    return window.location.pathname + window.location.search;
  },
});

// Five steps through the demo, one page each; where somebody is in it stays with the tab until it is stopped.
const KEPT = "izzet.tour";

const STEPS = [
  ["pins", "The plan as a cloth: pins run down, lines run across, a knot is a wire. The red dotted thread is a place that cannot be."],
  ["findings", "What is wrong, in a sentence. Beside it are repairs with their price, each tried before it is offered. One click mends, u takes it back."],
  ["wiring", "Every wire as a step, in the order in which people wire. Tick them off; a phone in the same network shows one step a screen."],
  ["bench", "Nothing soldered yet? The plan simulated: put a fault on the desk and see what the displays, the scanner and the meter make of it."],
  ["traffic", "Record the bus and drop the file here: it reads as a conversation, and the picture it draws runs back and forth. That was the tour; k goes anywhere."],
];

const read = () => JSON.parse(sessionStorage.getItem(KEPT) || "null");

export const begin = (plan) => {
  sessionStorage.setItem(KEPT, JSON.stringify({ plan, step: 0 }));
  window.location.href = `/plans/${plan}/${STEPS[0][0]}`;
};

export const tourStart = () => ({
  begin() { begin(this.$root.dataset.plan); },
});

export default () => ({
  quiet: true,
  words: "",
  place: "",
  last: false,

  init() { this.tell(); },

  tell() {
    const now = read();
    this.quiet = !now || !STEPS[now.step];
    if (this.quiet) return;
    this.words = STEPS[now.step][1];
    this.place = `Step ${now.step + 1} of ${STEPS.length}`;
    this.last = now.step === STEPS.length - 1;
  },

  go(by) {
    const now = read();
    if (!now) return;
    const step = Math.max(0, now.step + by);
    if (!STEPS[step]) {
      this.stop();
      return;
    }
    sessionStorage.setItem(KEPT, JSON.stringify({ ...now, step }));
    window.location.href = `/plans/${now.plan}/${STEPS[step][0]}`;
  },

  next() { this.go(1); },

  back() { this.go(-1); },

  stop() {
    sessionStorage.removeItem(KEPT);
    this.quiet = true;
  },
});

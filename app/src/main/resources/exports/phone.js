// Ticks stay in this browser.
const name = "izzet-plan-" + document.body.dataset.plan;
const boxes = [...document.querySelectorAll("input[data-key]")];
let done = [];
try { done = JSON.parse(localStorage.getItem(name) || "[]"); } catch { done = []; }
const told = () => {
  const ticked = boxes.filter((b) => b.checked);
  document.getElementById("done").textContent = ticked.length + " of " + boxes.length + " done";
  try { localStorage.setItem(name, JSON.stringify(ticked.map((b) => b.dataset.key))); } catch { /* a private window keeps nothing */ }
};
for (const box of boxes) {
  box.checked = done.includes(box.dataset.key);
  box.addEventListener("change", told);
}
told();

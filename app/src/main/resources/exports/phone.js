// Ticks stay in this browser.
const name = "izzet-plan-" + document.body.dataset.plan;
const boxes = [...document.querySelectorAll("input[data-key]")];
const told = () => {
  const ticked = boxes.filter((b) => b.checked);
  document.getElementById("done").textContent = ticked.length + " of " + boxes.length + " done";
  return ticked.map((b) => b.dataset.key);
};
const read = () => {
  let done = [];
  try { done = JSON.parse(localStorage.getItem(name) || "[]"); } catch { done = []; }
  for (const box of boxes) box.checked = done.includes(box.dataset.key);
  told();
};
// Only a tick writes: a page that is opened beside another one, or too early, takes nothing from it.
for (const box of boxes) {
  box.addEventListener("change", () => {
    try { localStorage.setItem(name, JSON.stringify(told())); } catch { told(); /* a private window keeps nothing */ }
  });
}
addEventListener("storage", read);
read();

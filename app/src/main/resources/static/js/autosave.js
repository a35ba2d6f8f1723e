// Forms that save by themselves: what is typed elsewhere while an answer is on its way stays, and what was unfolded stays open.
const SAVED = "form.autosave [id]:not([type=hidden])";
const value = (field) => (field.type === "checkbox" ? String(field.checked) : field.value);

const asSent = (field) => {
  if (field.type === "checkbox") return String(field.defaultChecked);
  if (field.tagName !== "SELECT") return field.defaultValue;
  const chosen = [...field.options].find((o) => o.defaultSelected) || field.options[0];
  return chosen ? chosen.value : "";
};

let typed = [];
let open = [];
let focused = "";

// Before the answer comes in: fields changed since, but for those that were sent and stand as they were sent.
export const remember = (e) => {
  if (e.detail.target.id !== "page" || e.detail.shouldSwap === false) return;
  const request = e.detail.requestConfig;
  const form = request && request.elt.closest("form.autosave");
  const sent = (field) => form && field.form === form
    && (field.type === "checkbox" || (request.formData || new FormData()).get(field.name) === field.value);
  typed = [...document.querySelectorAll(SAVED)]
    .filter((f) => value(f) !== asSent(f) && !sent(f))
    .map((f) => ({ id: f.id, value: value(f) }));
  const active = document.activeElement;
  focused = active && active.closest("form.autosave, .placed-part") ? active.id : "";
  open = [...document.querySelectorAll("details.placed-part[open]")].map((d) => d.id);
};

export const restore = (e) => {
  if (e.detail.target.id !== "page" && !document.querySelector("details.placed-part, form.autosave")) return;
  for (const id of open) {
    const folded = document.getElementById(id);
    if (folded) folded.open = true;
  }
  // What was folded up while it came could not take the focus back.
  if (focused && document.activeElement === document.body) document.getElementById(focused)?.focus();
  for (const { id, value: was } of typed) {
    const field = document.getElementById(id);
    if (!field || value(field) === was) continue;
    if (field.type === "checkbox") field.checked = was === "true";
    else field.value = was;
    // One that is still being typed in saves when it is left.
    if (document.activeElement !== field) field.dispatchEvent(new Event("change", { bubbles: true }));
  }
  typed = [];
  open = [];
};

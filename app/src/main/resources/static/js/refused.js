// What was refused is told beside the form, and what was typed stays in it; forms without a field to mend show a page of its own.
const REFUSALS = [400, 409, 422, 503, 507];
const FIELDS = "input:not([type=hidden], [type=checkbox], [type=radio], [type=file]), textarea";

const clear = (form) => {
  for (const old of form.querySelectorAll(".refused, .all-the-same")) old.remove();
  for (const field of form.querySelectorAll("[aria-invalid]")) field.removeAttribute("aria-invalid");
};

// A form that saves by itself has no button of its own to send again what was typed.
const again = () => {
  const button = document.createElement("button");
  button.className = "button all-the-same";
  button.textContent = "Make the change all the same";
  return button;
};

// What a page asks for by itself may be of a plan that has changed meanwhile: its fault page must not stand in a part of the page.
const aside = (e) => {
  const { requestConfig, xhr, target } = e.detail;
  return requestConfig && requestConfig.verb === "get" && xhr.status >= 400 && target.id !== "page";
};

export const refused = (e) => {
  const form = e.detail.requestConfig && e.detail.requestConfig.elt.closest("form");
  if (aside(e)) e.detail.shouldSwap = false;
  if (!form || !form.querySelector(FIELDS) || !REFUSALS.includes(e.detail.xhr.status)) return;
  const fault = new DOMParser().parseFromString(e.detail.serverResponse, "text/html").querySelector(".fault .detail");
  if (!fault) return;
  e.detail.shouldSwap = false;
  clear(form);
  const told = document.createElement("p");
  told.className = "refused help";
  told.setAttribute("role", "alert");
  told.textContent = fault.textContent;
  form.append(told);
  if (fault.dataset.version) {
    form.elements.version.value = fault.dataset.version;
    if (form.matches(".autosave")) form.append(again());
  }
  const wrong = form.elements[fault.dataset.field];
  if (wrong && wrong.focus) {
    wrong.setAttribute("aria-invalid", "true");
    wrong.focus();
  }
};

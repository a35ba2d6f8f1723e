// For those who only read: forms that would change something show what is set, and take nothing.
export const reading = () => {
  if (!document.body.classList.contains("reading")) return;
  document.querySelectorAll('form[method="post"]').forEach((form) => {
    for (const field of form.elements) field.disabled = true;
  });
};

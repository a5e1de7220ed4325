// The little that the pages need beside htmx: choices that show at once, printing, no double sending, focus after a swap.
document.addEventListener("change", (event) => {
  const field = event.target;
  if (field.matches("[data-submit]") && field.form) {
    field.form.requestSubmit();
  }
});

document.addEventListener("click", (event) => {
  if (event.target.closest("[data-print]")) {
    window.print();
  }
});

// A second click on a form that is on its way does nothing; coming back with the back button frees it again.
document.addEventListener("submit", (event) => {
  const form = event.target;
  if (form.hasAttribute("hx-post")) {
    return;
  }
  if (form.dataset.sent) {
    event.preventDefault();
    return;
  }
  form.dataset.sent = "yes";
});
window.addEventListener("pageshow", () => {
  document.querySelectorAll("form[data-sent]").forEach((form) => delete form.dataset.sent);
});

// After a reading is stored or refused the field to type in next holds the focus at once, its refused text selected:
// a scanner types faster than a page settles.
document.addEventListener("htmx:afterSwap", (event) => {
  if (event.detail.requestConfig?.verb !== "post") {
    return;
  }
  const field = document.querySelector("#bench [autofocus]");
  if (field) {
    field.focus();
    field.select();
  }
});

// What was typed before htmx listens to a field (between a swap and its settling, or while the page loads) would go
// unseen: say it again.
function sayAgain() {
  const field = document.activeElement;
  if (field?.matches("#bench .typed") && field.value !== field.defaultValue) {
    field.dispatchEvent(new Event("input", { bubbles: true }));
  }
}
document.addEventListener("htmx:afterSettle", sayAgain);
window.addEventListener("load", sayAgain);

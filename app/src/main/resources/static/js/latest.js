// Of two pages asked for in quick succession the later one is shown, as a browser without script would do. What changes a plan is
// never broken off: its answer may be lost, the change may not.
let last = { xhr: null, verb: null };

// The page that asked has gone, another answer has taken its place. That a change was refused is told all the same.
const late = (e) => {
  const { xhr, target, requestConfig } = e.detail;
  if (target.isConnected) return;
  if (requestConfig.verb !== "get" && xhr.status >= 400) {
    e.detail.target = document.getElementById("page");
    return;
  }
  e.detail.shouldSwap = false;
  if (xhr === last.xhr) window.location.href = xhr.responseURL;
};

export const latest = (e) => {
  const { xhr, target, requestConfig } = e.detail;
  if (target.id !== "page") return;
  if (last.verb === "get") last.xhr.abort();
  last = { xhr, verb: requestConfig.verb };
  // What happens to a page that has gone is heard by nobody further out.
  target.addEventListener("htmx:beforeSwap", late);
};

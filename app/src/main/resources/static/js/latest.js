// Of two pages asked for in quick succession the later one is shown, as a browser without script would do.
let last = null;

const answered = (e) => {
  const { xhr, target, requestConfig } = e.detail;
  if (target.id !== "page") return;
  const change = requestConfig.verb !== "get";
  if (!change && xhr !== last) {
    e.detail.shouldSwap = false;
  } else if (!target.isConnected && change && xhr.status >= 400) {
    // That a change was refused is told wherever its maker is now.
    e.detail.target = document.getElementById("page");
  } else if (!target.isConnected) {
    // The page that asked has gone, another answer has taken its place.
    e.detail.shouldSwap = false;
    if (xhr === last) window.location.href = xhr.responseURL;
  }
};

export const latest = (e) => {
  const { xhr, target } = e.detail;
  if (target.id !== "page") return;
  last = xhr;
  // What happens to a page that has gone is heard by nobody further out.
  target.addEventListener("htmx:beforeSwap", answered);
};

// A finding that comes again with its repairs stays open where it was opened meanwhile.
export const keepOpen = (e) => {
  if (e.detail.target.matches("details.finding[open]")) {
    e.detail.serverResponse = e.detail.serverResponse.replace("<details ", "<details open ");
  }
};

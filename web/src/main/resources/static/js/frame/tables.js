// A table that is wider than the screen says that there is more to see.

const seen = new ResizeObserver(entries => entries.forEach(({ target }) => look(target)));

function look(table) {
  table.classList.toggle("scrolls", table.scrollWidth > table.clientWidth + 1);
}

/** Watches the tables of a page, also those that are drawn later. */
export function watchTables(page) {
  const watch = () => page.querySelectorAll(".sheet").forEach(table => seen.observe(table));
  new MutationObserver(watch).observe(page, { childList: true, subtree: true });
  watch();
}

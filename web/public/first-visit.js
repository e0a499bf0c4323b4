// Whoever has kept nothing here yet reads what the page is for while the rest of it comes.
(() => {
  const about = document.getElementById('first-visit');
  try {
    if (about && localStorage.length === 0 && location.pathname === '/') about.hidden = false;
  } catch {
    // A browser that keeps nothing says so later.
  }
})();

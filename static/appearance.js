// Before anything is drawn: an appearance that was chosen, so that no screen flashes in the other one.
try {
  const chosen = localStorage.getItem('biblion.appearance');
  if (chosen === 'light' || chosen === 'dark') document.documentElement.dataset.appearance = chosen;
} catch {
  // Storage that is forbidden holds no choice.
}

// Before the first paint: the theme chosen last time, or the one the device prefers.
(function () {
  var stored = null;
  try {
    stored = localStorage.getItem('oenomel.theme');
  } catch {
    // No storage: the device decides.
  }
  var dim = stored ? stored === 'late' : matchMedia('(prefers-color-scheme: dark)').matches;
  document.documentElement.dataset.theme = dim ? 'late' : 'lamplight';
})();

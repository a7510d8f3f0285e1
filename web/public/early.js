// Before the first paint, while the app's own script is still on its way.
(function () {
  function stored(key) {
    try {
      return localStorage.getItem(key);
    } catch {
      // No storage: what is usual counts.
      return null;
    }
  }

  // What an earlier window left is sent first: an answer from before would be out of date.
  function hasUnsaved(drinkId) {
    try {
      return Object.keys(localStorage).some(function (key) {
        return key.startsWith('oenomel.unsaved.' + drinkId + '.');
      });
    } catch {
      return false;
    }
  }

  // The theme chosen last time, or the one the device prefers.
  var theme = stored('oenomel.theme');
  var dim = theme ? theme === 'late' : matchMedia('(prefers-color-scheme: dark)').matches;
  document.documentElement.dataset.theme = dim ? 'late' : 'lamplight';

  // The drink that the page opens with: the app finds its answer there already.
  var drink = /^\/bench\/(\d+)$/.exec(location.pathname);
  if (!drink || hasUnsaved(drink[1])) return;
  var link = document.createElement('link');
  link.rel = 'preload';
  link.as = 'fetch';
  link.crossOrigin = 'anonymous';
  link.href = '/api/drinks/' + drink[1] + '/bench';
  document.head.append(link);
})();

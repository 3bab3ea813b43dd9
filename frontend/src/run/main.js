// The run sheet in the hand: one step at a time, clocks that count by the server's time, and a queue that needs no connection.
import { tick } from './count.js';
import { watchForms } from './keep.js';
import { watchLine } from './line.js';
import { run, study } from './page.js';
import { changedElsewhere, watchSheet } from './sheet.js';
import { show } from './steps.js';
import { watchHands } from './taps.js';

const keepForLater = (worker) => {
  const needed = performance.getEntriesByType('resource').map((r) => r.name).filter((name) => name.startsWith(`${location.origin}/assets/`));
  worker.active?.postMessage({ keep: [...new Set([location.href, `${location.origin}/`, ...needed])] });
};

if (run) {
  watchHands();
  watchSheet();
  watchLine();
  watchForms();
  setInterval(tick, 250);
  // A line that was cut is taken up again by the browser itself.
  window.evenSheenWatch(study, changedElsewhere);
  if ('serviceWorker' in navigator) {
    navigator.serviceWorker.register('/offline.js').then(() => navigator.serviceWorker.ready).then(keepForLater).catch(() => {});
  }
  window.evenSheenQueue.flush();
  show(true);
}

// Clocks count by the server's time: how far this device is off is learnt whenever the server speaks, and remembered for when it can't.
window.evenSheenClock = (() => {
  let offset = Number(localStorage.getItem('clock-offset') ?? 0);
  const learn = (now) => {
    offset = now - Date.now();
    localStorage.setItem('clock-offset', String(offset));
  };
  fetch('/now').then((answer) => (answer.ok ? answer.text() : Promise.reject())).then((text) => learn(Number(text))).catch(() => {});

  const span = (ms) => {
    const s = Math.max(0, Math.round(ms / 1000));
    const two = (n) => String(n).padStart(2, '0');
    return s < 3600 ? `${Math.floor(s / 60)}:${two(s % 60)}` : `${Math.floor(s / 3600)} h ${two(Math.floor((s % 3600) / 60))}`;
  };
  const state = (opens, closes, now) => (now < opens ? 'waits' : !closes || now <= closes ? 'open' : 'late');
  const words = { waits: (o, c, n) => `in ${span(o - n)}`, open: (o, c, n) => (c ? `now, ${span(c - n)} left` : 'now'), late: (o, c, n) => `late by ${span(n - c)}` };
  const now = () => Date.now() + offset;

  // Shows how a clock stands, and says it.
  const draw = (clock) => {
    const [opens, closes] = [Number(clock.dataset.opens), Number(clock.dataset.closes)];
    const is = state(opens, closes, now());
    clock.dataset.state = is;
    clock.querySelector('.left').textContent = words[is](opens, closes, now());
    return { is, opens, closes };
  };
  if (!document.getElementById('run')) setInterval(() => document.querySelectorAll('.clock').forEach(draw), 250);
  return { learn, now, here: (device) => device + offset, span, state, words, draw };
})();

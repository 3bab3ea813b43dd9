// Two photos, one wiped across the other; and photos placed along the tape by their day.
(() => {
  document.querySelectorAll('.film-mark').forEach((mark) => { mark.style.setProperty('--x', `${mark.dataset.x}%`); });
  const wipe = document.querySelector('[data-wipe]');
  if (!wipe) return;
  const slider = wipe.querySelector('input');
  const draw = () => wipe.style.setProperty('--wipe', `${slider.value}%`);
  slider.addEventListener('input', draw);
  draw();
  wipe.querySelector('[data-beside]').addEventListener('click', (event) => {
    const beside = wipe.classList.toggle('side-by-side');
    event.target.textContent = beside ? 'Wipe across' : 'Lay them beside each other';
  });
})();

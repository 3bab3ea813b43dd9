// A sound and a buzz when a window opens or is about to close, once each.
import { run } from './page.js';
import { refresh } from './sheet.js';

const said = new Set(JSON.parse(sessionStorage.getItem('rung') ?? '[]'));
let sound;
document.addEventListener('pointerdown', () => {
  sound ??= new AudioContext();
  navigator.wakeLock?.request('screen').catch(() => {});
}, { once: true });

export const ring = (key, high) => {
  if (said.has(key)) return;
  said.add(key);
  sessionStorage.setItem('rung', JSON.stringify([...said].slice(-200)));
  if (navigator.userActivation?.hasBeenActive) navigator.vibrate?.(high ? [200, 100, 200] : [120]);
  run.dispatchEvent(new CustomEvent('rung', { detail: key }));
  refresh();
  if (!sound) return;
  const tone = sound.createOscillator();
  const gain = sound.createGain();
  tone.frequency.value = high ? 1320 : 880;
  gain.gain.setValueAtTime(0.25, sound.currentTime);
  gain.gain.exponentialRampToValueAtTime(0.001, sound.currentTime + 0.7);
  tone.connect(gain).connect(sound.destination);
  tone.start();
  tone.stop(sound.currentTime + 0.7);
};

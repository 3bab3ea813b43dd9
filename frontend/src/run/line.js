// The line to the server: whether all is kept, what waits, what was not taken, and what was last said.
import { hand } from './hand.js';
import { $, day, study } from './page.js';
import { refresh } from './sheet.js';
import { show } from './steps.js';

const queue = window.evenSheenQueue;
const { learn } = window.evenSheenClock;
const mine = (item) => item.url.startsWith(`/studies/${study}/`) && item.fields.day === day;

export const line = { offline: false, trouble: 'No connection.' };

// A word stays for a while, also when the sheet is fetched afresh at once because of what it tells of.
const STAYS = 8000;
let word = { words: '', at: 0 };
export const sayAgain = () => {
  const box = $('.steps-slate .said');
  if (!box || !word.words || Date.now() - word.at > STAYS) return;
  box.textContent = word.words;
  box.hidden = false;
};
export const say = (words) => {
  word = { words, at: Date.now() };
  sayAgain();
};

export const keeping = () => {
  word.words = '';
  $('#line').dataset.state = 'sending';
  $('#line').textContent = 'Keeping it …';
};

const draw = (left, refused) => {
  const kept = `${left.length} kept on this device, not sent yet`;
  $('#line').textContent = left.length ? `${line.offline ? `${line.trouble} ` : ''}${kept}` : 'All is kept';
  $('#line').dataset.state = line.offline ? 'off' : left.length ? 'sending' : 'on';
  $('#waiting').hidden = !refused.length;
  $('#waiting').replaceChildren(...refused.map((item) => window.evenSheenRefusal(item, keeping)));
};

export const watchLine = () => queue.listen((items, event) => {
  const here = items.filter(mine);
  const left = items.filter(queue.waits);
  const refused = here.filter((item) => !queue.waits(item));
  line.trouble = event.trouble ?? line.trouble;
  line.offline = event.broke ?? (left.length > 0 && line.offline);
  const before = hand.done.size;
  const steps = here.filter((item) => queue.waits(item) && item.fields.step && item.fields.what !== 'undo');
  hand.done.waits(new Map(steps.map((item) => [item.fields.step, item.at])), Boolean(event.said), Date.now());
  refused.forEach((item) => hand.done.takeBack(item.fields.step));
  draw(left, refused);
  if (event.said?.now) learn(event.said.now);
  if (event.said?.said) say(event.said.said);
  if (before !== hand.done.size || event.said) show(false);
  if (event.said && !left.length) refresh();
});

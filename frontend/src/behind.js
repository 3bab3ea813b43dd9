// A page made from what was captured says what it doesn't know yet: answers of this device that are on their way. Once they have arrived
// it is asked for again, unless somebody has typed something in it.
(() => {
  const queue = window.evenSheenQueue;
  const about = window.location.pathname.match(/^\/(compare|studies)\/\d+\//)?.[0];
  if (!queue || !about) return;
  const place = Object.assign(document.createElement('div'), { className: 'behind no-print', hidden: true });
  place.setAttribute('role', 'status');
  document.querySelector('main').prepend(place);
  const counted = (n, one, many) => `${n} ${n === 1 ? one : many}`;
  const typedIn = () => [...document.querySelectorAll('main :is(input:not([type=hidden], [type=range], [type=checkbox], [type=radio]), textarea)')]
    .some((field) => field === document.activeElement || field.value !== field.defaultValue);
  const link = (href, textContent) => Object.assign(document.createElement('a'), { href, textContent });
  const say = (...parts) => {
    place.hidden = parts.length === 0;
    place.replaceChildren(...parts);
  };
  let expected = 0;
  queue.listen((items, { trouble } = {}) => {
    const mine = items.filter((item) => item.url.startsWith(about));
    const left = mine.filter(queue.waits).length;
    const refused = mine.length - left;
    if (left > 0) say(`${trouble ? `${trouble} ` : ''}${counted(left, 'answer', 'answers')} from this device ${left === 1 ? 'is' : 'are'} on the way and not in here yet.`);
    else if (expected > 0 && !typedIn()) window.location.reload();
    else if (expected > 0) say('What was on its way has arrived. ', link(window.location.href, 'Show it'));
    else if (refused > 0) say(`${counted(refused, 'answer', 'answers')} from this device could not be taken. `, link('/', 'See why on the Bench'));
    else say();
    expected = left;
  });
  queue.flush();
})();

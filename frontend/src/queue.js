// What was captured waits here, in the browser's own store, until the server has acknowledged it: sent in order, one after the
// other, each with the key that its page made, so that it arrives exactly once however often it is sent.
window.evenSheenQueue = (() => {
  const opened = new Promise((resolve, reject) => {
    const asked = indexedDB.open('even-sheen', 1);
    asked.onupgradeneeded = () => {
      asked.result.createObjectStore('waiting', { keyPath: 'n', autoIncrement: true });
    };
    asked.onsuccess = () => resolve(asked.result);
    asked.onerror = () => reject(asked.error);
  });
  const done = (request) => new Promise((resolve, reject) => {
    request.onsuccess = () => resolve(request.result);
    request.onerror = () => reject(request.error);
  });
  // Strict: what the page says is kept is on the disk, not in a buffer that a flat battery loses.
  const store = async (mode) => (await opened).transaction('waiting', mode, { durability: 'strict' }).objectStore('waiting');
  const kept = async (mode, act) => {
    const into = await store(mode);
    const result = await done(act(into));
    if (mode === 'readwrite') await new Promise((resolve) => { into.transaction.oncomplete = resolve; });
    return result;
  };
  // What a tap gave is noted at once, before the store has it on the disk: a page left in between keeps it, and the next one stores it.
  const NOTED = 'waiting:';
  const note = (item) => {
    const name = `${NOTED}${crypto.randomUUID()}`;
    try {
      localStorage.setItem(name, JSON.stringify(item));
    } catch { /* No room: the store itself says what it can't keep. */ }
    return () => localStorage.removeItem(name);
  };
  const noted = (async () => {
    for (const name of Object.keys(localStorage).filter((n) => n.startsWith(NOTED))) {
      const item = JSON.parse(localStorage.getItem(name) ?? 'null');
      // Stored twice it is sent twice, by one key, and kept once.
      if (item) await kept('readwrite', (s) => s.add(item));
      localStorage.removeItem(name);
    }
  })().catch(() => {});
  const all = async () => {
    await noted;
    return kept('readonly', (s) => s.getAll());
  };
  const listeners = [];
  const tell = async (event) => {
    const items = await all();
    listeners.forEach((listener) => listener(items, event));
  };

  let sending = false;
  let again;
  let pause = 1000;
  const LONGEST_PAUSE = 15000;
  // What the server breaks at is sent so often before it is set aside, so that it blocks nothing behind it.
  const TRIES = 3;
  // Trouble that is not the item's and goes by: all wait, in order.
  const GOES_BY = [408, 429, 502, 503, 504];
  const send = async (item) => {
    const body = item.file ? new FormData() : new URLSearchParams();
    Object.entries(item.fields).forEach(([name, value]) => body.append(name, value));
    body.append('ago', String(Math.max(0, Date.now() - item.at)));
    if (item.file) body.append('photo', item.file, 'photo.jpg');
    return fetch(item.url, { method: 'POST', body, headers: { Accept: 'application/json' } });
  };
  const waits = (item) => !item.refused && !item.aside;
  // What became of one item: said (kept, with the server's words), trouble (all wait), or neither (it is out of the way).
  const settle = async (item) => {
    let answer;
    try {
      answer = await send(item);
    } catch {
      return { trouble: 'No connection.' };
    }
    const said = await answer.json().catch(() => null);
    if (answer.ok && said) {
      await kept('readwrite', (s) => s.delete(item.n));
      return { said };
    }
    if (answer.ok || GOES_BY.includes(answer.status)) return { trouble: said?.title ? `${said.title}.` : 'Even Sheen does not answer.' };
    if (answer.status < 500) {
      await kept('readwrite', (s) => s.put({ ...item, refused: said?.detail ?? 'It was not taken.', repeat: said?.repeat }));
      return {};
    }
    const tries = (item.tries ?? 0) + 1;
    const aside = tries >= TRIES ? `The server could not take it, ${TRIES} times. ${said?.detail ?? ''}`.trim() : undefined;
    await kept('readwrite', (s) => s.put({ ...item, tries, aside }));
    return aside ? {} : { trouble: 'The server has trouble with something.' };
  };
  const flush = async () => {
    clearTimeout(again);
    if (sending) return;
    sending = true;
    let said;
    let trouble;
    try {
      for (const item of (await all()).filter(waits)) {
        const became = await settle(item);
        said = became.said ?? said;
        trouble = became.trouble;
        if (trouble) break;
        pause = 1000;
      }
    } catch (broken) {
      trouble = `This browser's store is in trouble: ${broken?.message ?? broken}.`;
    } finally {
      if (trouble) {
        again = setTimeout(flush, pause);
        pause = Math.min(LONGEST_PAUSE, pause * 2);
      }
      sending = false;
      await tell({ said, broke: Boolean(trouble), trouble });
      if (!trouble && (await all()).some(waits)) flush();
    }
  };
  // A file of what waits, photos too, for whoever wants to keep it elsewhere.
  const dataUrl = (file) => new Promise((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve(reader.result);
    reader.onerror = () => reject(reader.error);
    reader.readAsDataURL(file);
  });
  const save = async (items) => {
    const told = await Promise.all(items.map(async ({ file, n, ...item }) => ({ ...item, at: new Date(item.at).toISOString(), ...(file ? { photo: await dataUrl(file) } : {}) })));
    const link = document.createElement('a');
    link.href = URL.createObjectURL(new Blob([JSON.stringify({ format: 'even-sheen-waiting/1', items: told }, null, 1)], { type: 'application/json' }));
    link.download = `even-sheen-waiting-${new Date().toISOString().slice(0, 16).replace(':', '')}.json`;
    link.click();
    setTimeout(() => URL.revokeObjectURL(link.href), 10000);
  };
  window.addEventListener('online', () => { pause = 1000; flush(); });
  document.addEventListener('visibilitychange', () => { if (!document.hidden) flush(); });

  return {
    // Resolves once it is safely in the browser; sending goes on behind.
    add: async (url, fields, what, file) => {
      const item = { url, fields, what, file, at: Date.now() };
      const stored = file ? () => {} : note(item);
      await kept('readwrite', (s) => s.add(item));
      stored();
      await tell({});
      flush();
    },
    change: async (item) => { await kept('readwrite', (s) => s.put(item)); flush(); },
    drop: async (n) => { await kept('readwrite', (s) => s.delete(n)); await tell({}); },
    listen: (listener) => { listeners.push(listener); tell({}); },
    waits,
    save,
    flush,
  };
})();

// What the server did not take, with what a person can do about it. Nothing is let go by itself.
window.evenSheenRefusal = (item, before = () => {}) => {
  const queue = window.evenSheenQueue;
  const box = document.createElement('div');
  box.className = 'danger';
  box.append(Object.assign(document.createElement('p'), { textContent: `${item.what ?? 'Something'}: ${item.refused ?? item.aside}` }));
  const button = (label, act) => {
    const b = Object.assign(document.createElement('button'), { type: 'button', className: 'button quiet', textContent: label });
    b.addEventListener('click', () => {
      before();
      act();
    });
    box.append(b);
  };
  const afresh = { ...item, refused: undefined, aside: undefined, tries: undefined };
  if (item.repeat) button(`Keep it as repeat ${item.repeat}`, () => queue.change({ ...afresh, repeat: undefined, fields: { ...item.fields, repeat: String(item.repeat), key: crypto.randomUUID() } }));
  else button('Try again', () => queue.change(afresh));
  button('Save it to a file', () => queue.save([item]));
  button('Let it go', () => queue.drop(item.n));
  return box;
};

// Says when a study has changed, here or on another device. A page that nobody sees does not hold its line open: a browser has few.
window.evenSheenWatch = (study, changed) => {
  let source;
  const listen = () => {
    source?.close();
    source = undefined;
    if (document.hidden) return;
    source = new EventSource(`/studies/${study}/changes`);
    source.addEventListener('revision', (event) => changed(Number(event.data)));
    source.addEventListener('open', () => window.evenSheenQueue.flush());
  };
  document.addEventListener('visibilitychange', listen);
  listen();
};

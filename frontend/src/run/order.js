// Which step is in hand. What comes next, when and why is the server's alone; until it has heard of what was done here, the steps that
// are left stay in the order it gave them.

// Steps not done here yet, in the server's order.
export const left = (steps, done) => steps.filter((step) => !done.has(step.key));

// The one that the server calls next, or when that is done, the first that is left in its order.
export const next = (steps, done) => {
  const open = left(steps, done);
  return open.find((step) => step.next) ?? open[0];
};

// The step so many places on from another, round and round.
export const along = (steps, done, from, by) => {
  const open = left(steps, done);
  const at = open.findIndex((step) => step.key === from);
  return open.length ? open[(at + by + open.length) % open.length] : undefined;
};

// When a step opens and closes: by the server's word, or from when the step before it was done here, which the server may not know yet.
export const times = (step, done) => {
  const mark = step.after && done.get(step.after);
  return mark && step.high
    ? { opens: mark + step.low * 1000, closes: mark + step.high * 1000 }
    : { opens: step.opens, closes: step.closes };
};

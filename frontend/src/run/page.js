// What of the page all parts of the run sheet look at.
export const $ = (selector, from = document) => from.querySelector(selector);
export const $$ = (selector, from = document) => [...from.querySelectorAll(selector)];
export const run = $('#run');
export const { study, day } = run?.dataset ?? {};
export const steps = () => $$('.step');
export const keyOf = (step) => step.dataset.step;
export const sectionsOf = (step) => (step.dataset.sections ?? '').split(' ').filter(Boolean);
export const current = () => steps().find((step) => !step.hidden);

// A page that could not be made, or a form that could not be kept, is tried again as soon as the server is well.
(() => {
  const form = document.querySelector('#again');
  if (!form) return;
  const PAUSE = 2000;
  const look = async () => {
    const well = await fetch('/probe', { cache: 'no-store' }).then((answer) => answer.ok, () => false);
    if (!well) return setTimeout(look, PAUSE);
    if (form.matches('form')) return form.submit();
    return location.reload();
  };
  setTimeout(look, PAUSE);
})();

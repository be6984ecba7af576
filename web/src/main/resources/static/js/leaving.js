// Runs before anything of a page is shown: on a device that was signed out without a signal, nothing is.
if (localStorage.getItem('lochan-leaving') !== null && window.location.pathname !== '/sign-in')
  document.documentElement.hidden = true;

// Before anything is painted: night by choice, or by the system's wish. A script of its own, since none may stand in a page.
(function () {
    var choice = null;
    try {
        choice = localStorage.getItem('kelp-theme');
    } catch (refused) {
        // What cannot be asked was not chosen.
    }
    var night = choice === 'night' || (choice === null && matchMedia('(prefers-color-scheme: dark)').matches);
    document.documentElement.classList.toggle('night', night);
})();

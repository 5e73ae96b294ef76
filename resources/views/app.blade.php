<!DOCTYPE html>
<html lang="en">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <title>Kelp Tub</title>
    <link rel="icon" href="/favicon.svg" type="image/svg+xml">
    <script>
        // Before anything is painted: night by choice, or by the system's wish.
        (function () {
            var choice = localStorage.getItem('kelp-theme');
            var night = choice === 'night' || (choice === null && matchMedia('(prefers-color-scheme: dark)').matches);
            document.documentElement.classList.toggle('night', night);
        })();
    </script>
    @vite('resources/js/app.ts')
    @inertiaHead
</head>
<body>
    @inertia
</body>
</html>

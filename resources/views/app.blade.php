<!DOCTYPE html>
<html lang="en">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <title>Kelp Tub</title>
    <link rel="icon" href="/favicon.svg" type="image/svg+xml">
    <meta property="csp-nonce" nonce="{{ Vite::cspNonce() }}">
    <script src="/theme.js"></script>
    @vite(['resources/js/app.ts', "resources/js/Pages/{$page['component']}.vue"])
    @inertiaHead
</head>
<body>
    @inertia
</body>
</html>

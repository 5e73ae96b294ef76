<!DOCTYPE html>
<html lang="en">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <title>{{ $title }} · Kelp Tub</title>
    <link rel="icon" href="/favicon.svg" type="image/svg+xml">
    <style nonce="{{ Vite::cspNonce() }}">
        body { margin: 0; min-height: 100vh; display: grid; place-content: center; padding: 2rem; background: #F5F1E6; color: #1E2B26; font: 17px/1.5 system-ui, sans-serif; }
        h1 { margin: 0 0 .5rem; font-size: 1.8rem; }
        a { color: #22666C; }
        @media (prefers-color-scheme: dark) { body { background: #1A2820; color: #E9E6D8; } a { color: #8CCBCF; } }
    </style>
</head>
<body>
    <main>
        <h1>{{ $title }}</h1>
        <p>{{ $text }}</p>
        <p><a href="/">All gardens</a></p>
    </main>
</body>
</html>

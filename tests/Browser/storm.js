/*
 * Does deeds one after another on the page that is open, as a grower in a hurry would: without waiting for anything, or (patient) for each
 * to be done. Put into the page by StormTest; gives the document as the page has it in the end.
 */
const [deeds, patient, pause, done] = arguments;

const frame = () => new Promise((then) => requestAnimationFrame(() => setTimeout(then)));
const sleep = (ms) => new Promise((then) => setTimeout(then, ms));
const busy = () => document.documentElement.hasAttribute('data-busy');
async function until(is, what) {
    for (const end = Date.now() + 60000; !is(); await frame()) if (Date.now() > end) throw new Error(`waited in vain for ${what}`);
}
const settled = () => until(() => !busy(), 'what was begun');

async function go(tub, mark) {
    const there = () => location.pathname.endsWith(`/${tub}/${mark}`);
    if (!there()) {
        // Whoever is on the bench or at another mark goes by the tub's picture and the staff.
        const button = () => document.querySelector(`.strip [data-to="${tub}"]`);
        await until(button, `tub ${tub}`);
        button().click();
        await until(() => location.pathname.includes(`/${tub}/`), `the way to ${tub}`);
        if (!there()) document.querySelector(`[data-mark="${mark}"]`).click();
        await until(there, `${mark} of ${tub}`);
    }
    await until(() => document.querySelector('.mark h1'), `the page of ${mark}`);
    await frame();
    await frame();
}

function fieldOf(label) {
    const named = [...document.querySelectorAll('label')].find((one) => one.textContent.trim() === label);
    return named && document.getElementById(named.htmlFor);
}

async function type(field, text) {
    await until(() => fieldOf(field), `the field ${field}`);
    const input = fieldOf(field);
    input.focus();
    input.value = text;
    input.dispatchEvent(new Event('input', { bubbles: true }));
    input.dispatchEvent(new Event('change', { bubbles: true }));
    input.blur();
}

async function press(selector) {
    await until(() => document.querySelector(selector), selector);
    // Whoever sees that it cannot be pressed yet waits.
    if (document.querySelector(selector).disabled) await settled();
    const button = document.querySelector(selector);
    if (button && !button.disabled) button.click();
}

const key = (key, shift = false) => window.dispatchEvent(new KeyboardEvent('keydown', { key, shiftKey: shift, bubbles: true, cancelable: true }));

async function document_() {
    let blob;
    URL.createObjectURL = (made) => ((blob = made), '#');
    document.querySelector('[aria-label="Save as a file"]').click();
    return JSON.parse(await blob.text());
}

(async () => {
    for (const deed of deeds) {
        if (deed.tub) await go(deed.tub, deed.mark);
        if (deed.type) await type(deed.type, deed.text);
        if (deed.press) await press(deed.press);
        if (deed.key) key(deed.key, deed.key === 'Z');
        if (patient) await settled();
        else await sleep(deed.wait * pause);
    }
    await settled();
    await until(() => document.querySelector('.state').textContent.trim() === 'Saved', 'it to be saved');
    done(await document_());
})().catch((fault) => done({ fault: String(fault) }));

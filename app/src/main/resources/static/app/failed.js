// Says on the page that a request of its scripts failed: the server does not answer, or answers with a whole page in place of a part.
// What was typed stays where it is.

const place = document.getElementById('failed');

function tell(words) {
    if (place) {
        place.textContent = words;
    }
}

/** The sentence of a page that says why something is not possible; empty where the answer is a part of the sheet. */
const sentence = (answer) => answer.includes('<html')
    ? new DOMParser().parseFromString(answer, 'text/html').querySelector('h1.told')?.textContent ?? ''
    : '';

for (const kind of ['htmx:sendError', 'htmx:timeout']) {
    document.addEventListener(kind, () => tell('The server does not answer, so nothing was saved. What you typed is still here. '
        + 'Try again in a moment.'));
}

document.addEventListener('htmx:beforeSwap', (event) => {
    const why = event.detail.xhr.status >= 400 ? sentence(event.detail.xhr.responseText) : '';
    if (why) {
        event.detail.shouldSwap = false;
        tell(why);
    }
});

document.addEventListener('htmx:afterRequest', (event) => {
    const status = event.detail.xhr.status;
    if (status >= 200 && status < 400 && event.detail.requestConfig?.verb !== 'get') {
        tell('');
    }
});

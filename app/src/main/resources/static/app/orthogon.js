// What every sheet shares: keys, dialogs, completion of codes, the stream of news. Everything that decides anything is on the server.

import { busy } from './queue.js';

const typing = (element) => element && (element.matches('input, select, textarea') || element.isContentEditable);

/** Keys of the sheet at hand; each gets the event and says whether it took it. */
const sheetKeys = [];

// While an edit is under way the sheet is about to change, so keys wait until it has.
const underWay = new Set();
const waiting = [];

document.addEventListener('htmx:beforeRequest', (event) => {
    if (event.detail.elt.closest?.('#sheet') && !event.detail.elt.matches('[hx-trigger*="sse:"]')) {
        underWay.add(event.detail.xhr);
        // Its element may be gone by then, so the request itself is listened to.
        event.detail.xhr.addEventListener('loadend', () => arrived(event.detail.xhr));
    }
});

const isHeld = () => underWay.size > 0 || busy();
document.addEventListener('orthogon:idle', () => arrived(null));

function arrived(request) {
    underWay.delete(request);
    while (!isHeld() && waiting.length) {
        const key = waiting.shift();
        const field = document.activeElement;
        if (!typing(field)) {
            act(key);
        } else if (key.key.length === 1 && field.setRangeText) {
            field.setRangeText(key.key, field.selectionStart, field.selectionEnd, 'end');
            field.dispatchEvent(new InputEvent('input', { bubbles: true, data: key.key }));
        } else if (key.key === 'Enter' && field.matches('input') && field.form?.matches('.typing, dialog form')) {
            field.form.requestSubmit();
        } else if (key.key === 'Backspace' && field.setRangeText) {
            const end = field.selectionEnd;
            field.setRangeText('', field.selectionStart === end ? Math.max(0, end - 1) : field.selectionStart, end, 'end');
        } else {
            field.dispatchEvent(new KeyboardEvent('keydown', { key: key.key, bubbles: true, cancelable: true }));
        }
    }
}

document.addEventListener('keydown', (event) => {
    // Behind keys that wait, others wait too, so that they keep their order.
    if (isHeld() && (waiting.length || !typing(document.activeElement))
            && !['Alt', 'Control', 'Shift', 'Meta', 'Tab'].includes(event.key)) {
        waiting.push(event);
        event.preventDefault();
    } else if (!event.defaultPrevented) {
        act(event);
    }
});

function act(event) {
    if (document.querySelector('dialog[open]')) {
        return;
    }
    const command = event.ctrlKey || event.metaKey;
    if (typing(document.activeElement)) {
        if (event.key === 'Escape') {
            document.activeElement.blur();
        }
        return;
    }
    if (command && event.key.toLowerCase() === 'z') {
        press(event.shiftKey ? 'redo' : 'undo', event);
        return;
    }
    if (sheetKeys.some((take) => take(event, command)) || command || event.altKey) {
        return;
    }
    if (/^[1-9]$/.test(event.key)) {
        document.querySelector(`.head nav a[data-key="${event.key}"]`)?.click();
    } else if (event.key === '?') {
        document.getElementById('keys')?.showModal();
    } else if (event.key === '/') {
        open('find', event);
    } else if (event.key === 'p') {
        document.querySelector('[data-command="prove"]')?.click();
    } else if (event.key === 'm') {
        document.querySelector('[data-command="map"]')?.click();
    } else if (event.key === 'r') {
        document.querySelector('.head nav a[data-key="5"]')?.click();
    }
}

function press(command, event) {
    const button = document.querySelector(`[data-command="${command}"]`);
    if (button && !button.disabled) {
        button.click();
        event?.preventDefault();
    }
}

function focus(selector, event) {
    const field = document.querySelector(selector);
    if (field) {
        field.focus();
        event?.preventDefault();
    }
}

function open(dialog, event) {
    const element = document.getElementById(dialog);
    if (element && !element.open) {
        element.showModal();
        const field = element.querySelector('input:not([type=hidden]), textarea');
        field?.focus();
        field?.select();
        event?.preventDefault();
    }
}

document.addEventListener('click', (event) => {
    const opener = event.target.closest('[data-opens]');
    if (opener) {
        open(opener.dataset.opens);
    }
});

document.addEventListener('htmx:afterRequest', (event) => {
    const closes = event.detail.elt.closest?.('[data-closes]');
    if (closes && event.detail.successful && event.detail.xhr.status < 400) {
        document.getElementById(closes.dataset.closes)?.close();
    }
});

// For the scripts of single sheets, which are loaded after this one.
window.orthogon = { sheetKeys, typing, press, focus, open, busy: isHeld };

// Completion of codes while a condition is typed.
let list = null;
const close = () => {
    list?.remove();
    list = null;
};

/** The code that is begun before the cursor; in texts, behind an opening brace. */
function word(field) {
    const before = field.value.slice(0, field.selectionStart);
    return before.match(field.matches('[data-pipes]') ? /(?<=\{)[a-z0-9_]*$/ : /[a-z][a-z0-9_]*$/)?.[0] ?? '';
}

const isBegun = (field) => word(field) !== ''
    || field.matches('[data-pipes]') && field.value[field.selectionStart - 1] === '{';

function choose(field, name) {
    const start = field.selectionStart - word(field).length;
    const closing = field.matches('[data-pipes]') && field.value[field.selectionStart] !== '}' ? '}' : '';
    field.setRangeText(name + closing, start, field.selectionStart, 'end');
    close();
    field.dispatchEvent(new Event('input', { bubbles: true }));
}

document.addEventListener('input', (event) => {
    const field = event.target;
    if (!field.matches('[data-names], [data-pipes]')) {
        return;
    }
    close();
    const begun = word(field);
    const names = document.querySelector('[data-names-all], #state')?.dataset.names?.split(' ') ?? [];
    const found = isBegun(field) ? names.filter((name) => name.startsWith(begun) && name !== begun).slice(0, 8) : [];
    if (!found.length) {
        return;
    }
    list = document.createElement('ul');
    list.className = 'suggest';
    list.setAttribute('role', 'listbox');
    list.setAttribute('aria-label', 'Codes that begin like this');
    found.forEach((name, i) => {
        const option = document.createElement('li');
        option.textContent = name;
        option.setAttribute('role', 'option');
        option.setAttribute('aria-selected', String(i === 0));
        option.addEventListener('mousedown', (down) => {
            down.preventDefault();
            choose(field, name);
        });
        list.append(option);
    });
    const at = field.getBoundingClientRect();
    list.style.left = `${at.left + scrollX}px`;
    list.style.top = `${at.bottom + scrollY}px`;
    document.body.append(list);
});

document.addEventListener('keydown', (event) => {
    if (!list || !event.target.matches('[data-names], [data-pipes]')) {
        return;
    }
    const options = [...list.children];
    const at = options.findIndex((option) => option.getAttribute('aria-selected') === 'true');
    if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
        const next = (at + (event.key === 'ArrowDown' ? 1 : options.length - 1)) % options.length;
        options[at].setAttribute('aria-selected', 'false');
        options[next].setAttribute('aria-selected', 'true');
        event.preventDefault();
    } else if (event.key === 'Enter' || event.key === 'Tab') {
        choose(event.target, options[at].textContent);
        event.preventDefault();
    } else if (event.key === 'Escape') {
        close();
    }
}, true);
document.addEventListener('focusout', close);

// A condition is checked while it is typed: what it says, or what is wrong with it and the nearest right name.
let pause = 0;
document.addEventListener('input', (event) => {
    const field = event.target;
    if (field.matches('[data-family]')) {
        clearTimeout(pause);
        pause = setTimeout(() => check(field), 220);
    }
});

async function check(field) {
    const base = document.querySelector('[data-base]')?.dataset.base;
    const around = field.closest('.field, td');
    if (!base || !around) {
        return;
    }
    const query = new URLSearchParams({ family: field.dataset.family, owner: field.dataset.owner ?? '', text: field.value });
    const response = await fetch(`${base.replace(/\/(rules|prove|dispatch)$/, '/compose')}/check?${query}`);
    if (!response.ok || !field.isConnected || response.redirected) {
        return;
    }
    const checked = await response.json();
    const place = (name) => {
        const there = around.querySelector(`:scope > .${name}`);
        if (there) {
            return there;
        }
        const made = document.createElement('span');
        made.className = name;
        around.append(made);
        return made;
    };
    field.setAttribute('aria-invalid', String(Boolean(checked.fault)));
    place('says').textContent = checked.phrase;
    const fault = place('fault');
    fault.textContent = checked.meant ? '' : checked.fault;
    delete field.dataset.meant;
    if (checked.meant) {
        // Taken over with Alt+Enter, by this button, or on leaving the field.
        field.dataset.meant = checked.meant;
        const take = document.createElement('button');
        take.type = 'button';
        take.className = 'plain';
        take.textContent = `write ${checked.meant}`;
        take.title = 'Alt+Enter';
        take.addEventListener('click', () => takeOver(field));
        fault.append(take);
    } else if (checked.nearest) {
        const mend = document.createElement('button');
        mend.type = 'button';
        mend.className = 'plain';
        mend.textContent = `write ${checked.nearest}`;
        mend.addEventListener('click', () => {
            const wrong = field.value.slice(checked.from, checked.to);
            const right = wrong.startsWith('"') ? `"${checked.nearest}"` : checked.nearest;
            field.value = field.value.slice(0, checked.from) + right + field.value.slice(checked.to);
            field.focus();
            field.dispatchEvent(new Event('input', { bubbles: true }));
            field.dispatchEvent(new Event('change', { bubbles: true }));
        });
        fault.append(' ', mend);
    }
    around.querySelectorAll(':scope > .hint-blank').forEach((old) => old.remove());
    checked.hints.forEach((hint) => {
        const line = document.createElement('span');
        line.className = 'says hint-blank';
        line.textContent = hint;
        around.append(line);
    });
}

function takeOver(field) {
    if (field.dataset.meant) {
        field.value = field.dataset.meant;
        delete field.dataset.meant;
        field.focus();
        field.dispatchEvent(new Event('input', { bubbles: true }));
        field.dispatchEvent(new Event('change', { bubbles: true }));
    }
}

document.addEventListener('keydown', (event) => {
    if (event.altKey && event.key === 'Enter' && event.target.dataset?.meant) {
        takeOver(event.target);
        event.preventDefault();
    }
}, true);

// Whatever a proof may change names where it comes from, and is fetched again when one is there.
document.addEventListener('htmx:sseMessage', (event) => {
    if (event.detail.type !== 'proof') {
        return;
    }
    document.querySelectorAll('[data-fresh]').forEach(async (place) => {
        const response = await fetch(place.dataset.fresh);
        if (response.ok && !response.redirected && place.isConnected && !place.contains(document.activeElement)) {
            place.innerHTML = await response.text();
            htmx.process(place);
        }
    });
});

// A page that is left must not hold its stream open, or the browser soon has no connection left for the next.
addEventListener('pagehide', () => {
    document.querySelectorAll('[sse-connect]').forEach((element) => {
        element['htmx-internal-data']?.sseEventSource?.close();
    });
});
addEventListener('pageshow', (event) => {
    if (event.persisted) {
        location.reload();
    }
});

// Work that is done leads on to what came of it, once.
function goOn() {
    const done = document.querySelector('[data-leads-to]');
    if (done) {
        const to = done.dataset.leadsTo;
        delete done.dataset.leadsTo;
        location.replace(to);
    }
}
document.addEventListener('htmx:afterSettle', goOn);
addEventListener('load', goOn);

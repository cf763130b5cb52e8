// Keys, completion of codes in conditions, and keeping the ledger's place. Everything that decides anything is on the server.

const typing = (element) => element && (element.matches('input, select, textarea') || element.isContentEditable);

// While an edit or a selection is under way the sheet is about to change, so keys wait until it has.
const underWay = new Set();
const waiting = [];

document.addEventListener('htmx:beforeRequest', (event) => {
    if (event.detail.target?.id === 'sheet') {
        underWay.add(event.detail.xhr);
    } else if (underWay.size && event.detail.target?.id === 'ledger-part') {
        event.preventDefault();
    }
});

document.addEventListener('htmx:afterRequest', (event) => {
    underWay.delete(event.detail.xhr);
    while (!underWay.size && waiting.length) {
        const key = waiting.shift();
        const field = document.activeElement;
        if (!typing(field)) {
            act(key);
        } else if (key.key.length === 1 && field.setRangeText) {
            field.setRangeText(key.key, field.selectionStart, field.selectionEnd, 'end');
        }
    }
});

document.addEventListener('keydown', (event) => {
    if (underWay.size && !typing(document.activeElement) && !['Alt', 'Control', 'Shift', 'Meta', 'Tab'].includes(event.key)) {
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
    const inField = typing(document.activeElement);
    const command = event.ctrlKey || event.metaKey;
    if (command && event.key.toLowerCase() === 'z' && !inField) {
        press(event.shiftKey ? 'redo' : 'undo', event);
        return;
    }
    if (inField) {
        if (event.key === 'Escape') {
            document.activeElement.blur();
        }
        return;
    }
    if (event.altKey && (event.key === 'ArrowUp' || event.key === 'ArrowDown')) {
        press(event.key === 'ArrowUp' ? 'up' : 'down', event);
        return;
    }
    if (command || event.altKey) {
        return;
    }
    const rows = [...document.querySelectorAll('.ledger tbody tr')];
    const here = rows.findIndex((row) => row.classList.contains('on'));
    const step = { j: 1, ArrowDown: 1, k: -1, ArrowUp: -1 }[event.key];
    if (step && rows.length) {
        rows[here + step]?.querySelector('a').click();
        event.preventDefault();
    } else if (/^[1-8]$/.test(event.key)) {
        document.querySelector(`.head nav a[data-key="${event.key}"]`)?.click();
    } else if (event.key === '?') {
        document.getElementById('keys')?.showModal();
    } else if (event.key === 'Enter' && document.activeElement === document.body) {
        focus('#wording, #derive, #title', event);
    } else if (event.key === 'n') {
        focus('#line', event);
    } else if (event.key === 'c') {
        focus('#askWhen, #openWhen', event);
    } else if (event.key === 'd') {
        press('copy', event);
    } else if (event.key === 'Delete') {
        press('remove', event);
    } else if (event.key === 'p') {
        document.querySelector('[data-command="prove"]')?.click();
    } else if (event.key === 'r') {
        document.querySelector('.head nav a[data-key="5"]')?.click();
    }
}

function press(command, event) {
    const button = document.querySelector(`[data-command="${command}"]`);
    if (button && !button.disabled) {
        button.click();
        event.preventDefault();
    }
}

function focus(selector, event) {
    const field = document.querySelector(selector);
    if (field) {
        field.focus();
        event.preventDefault();
    }
}

document.addEventListener('click', (event) => {
    const row = event.target.closest('.ledger tbody tr');
    if (row && !event.target.closest('a')) {
        row.querySelector('a').click();
    }
    const opener = event.target.closest('[data-opens]');
    if (opener) {
        document.getElementById(opener.dataset.opens).showModal();
    }
});

// The ledger keeps its place when it is drawn anew, and the selected row stays in sight.
let place = 0;
document.addEventListener('htmx:beforeSwap', () => {
    place = document.querySelector('.ledger-scroll')?.scrollTop ?? 0;
});
document.addEventListener('htmx:afterSettle', () => {
    const scroll = document.querySelector('.ledger-scroll');
    if (scroll) {
        scroll.scrollTop = place;
        scroll.querySelector('tr.on')?.scrollIntoView({ block: 'nearest' });
    }
});

// A page that shows an older revision than the newest looks again; somebody who is typing is left alone.
document.addEventListener('htmx:sseMessage', (event) => {
    if (event.detail.type !== 'revision') {
        return;
    }
    // One's own edit is answered about now as well, and draws the sheet anew by itself.
    setTimeout(() => {
        const shown = document.querySelector('[data-revision]');
        if (shown && Number(event.detail.data) > Number(shown.dataset.revision)) {
            if (typing(document.activeElement)) {
                document.getElementById('newer').hidden = false;
            } else {
                htmx.ajax('GET', `${location.pathname}?at=${shown.dataset.at}`, { target: '#sheet' });
            }
        }
    }, 700);
});

// Completion of codes while a condition is typed.
let list = null;
const close = () => {
    list?.remove();
    list = null;
};

function word(field) {
    const before = field.value.slice(0, field.selectionStart);
    return before.match(/[a-z][a-z0-9_]*$/)?.[0] ?? '';
}

function choose(field, name) {
    const start = field.selectionStart - word(field).length;
    field.setRangeText(name, start, field.selectionStart, 'end');
    close();
}

document.addEventListener('input', (event) => {
    const field = event.target;
    if (!field.matches('[data-names]')) {
        return;
    }
    close();
    const begun = word(field);
    const names = document.getElementById('names')?.dataset.all.split(' ') ?? [];
    const found = begun ? names.filter((name) => name.startsWith(begun) && name !== begun).slice(0, 8) : [];
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
    if (!list || !event.target.matches('[data-names]')) {
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

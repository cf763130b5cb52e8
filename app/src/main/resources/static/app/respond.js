// What makes answering smoother where there is script. The server decides; everything works without this.

const form = () => document.getElementById('questions');

// Questions of the page appear, are reworded or go as answers are given. Items that look the same are left alone, with
// whatever is being typed in them. What was told before the last answer is no longer true and is left aside, and nothing
// moves under a finger or a mouse button that is down.
let asked = 0;
let released = null;
let release = null;

document.addEventListener('pointerdown', () => {
    released ??= new Promise((resolve) => {
        release = resolve;
    });
});
for (const kind of ['pointerup', 'pointercancel', 'contextmenu', 'dragend']) {
    // The click follows the pointer's rise; what it changes comes first.
    document.addEventListener(kind, () => setTimeout(() => {
        release?.();
        released = release = null;
    }));
}

async function refresh() {
    const here = form();
    if (!here?.dataset.live) {
        return;
    }
    const number = ++asked;
    const data = new URLSearchParams();
    new FormData(here).forEach((value, name) => typeof value === 'string' && data.append(name, value));
    data.delete('~go');
    const response = await fetch(here.dataset.live, { method: 'POST', body: data, headers: headers() }).catch(() => null);
    const text = response?.ok ? await response.text() : null;
    await released;
    if (number !== asked) {
        return;
    }
    here.removeAttribute('aria-busy');
    tell(text === null ? here.dataset.failed : '');
    if (text === null) {
        return;
    }
    const fresh = new DOMParser().parseFromString(text, 'text/html');
    merge(document.getElementById('items'), fresh.getElementById('items'));
    replace('progress', fresh);
    replace('reasons', fresh);
    replaceWords('go', fresh);
}

/** Says at the end of the page's questions that it may not be up to date, in the respondent's language. */
function tell(words = '') {
    const items = document.getElementById('items');
    const known = document.getElementById('failed');
    if (!words) {
        known?.remove();
    } else if (!known && items) {
        const told = document.createElement('p');
        told.id = 'failed';
        told.className = 'notice';
        told.setAttribute('role', 'alert');
        told.textContent = words;
        items.after(told);
    }
}

function headers() {
    const token = document.querySelector('[data-csrf]');
    return token ? { [token.dataset.header]: token.dataset.csrf } : {};
}

function merge(now, fresh) {
    const focused = document.activeElement;
    let place = null;
    let changed = 0;
    for (const item of [...fresh.children]) {
        const known = document.getElementById(item.id);
        let node = known;
        if (!known) {
            node = document.adoptNode(item);
            changed += 1;
            enhance(node);
        } else if (known.dataset.look !== item.dataset.look) {
            node = document.adoptNode(item);
            enhance(node);
            const held = known.contains(focused) ? focused : null;
            keepTyped(known, node);
            known.replaceWith(node);
            if (held) {
                refocus(node, held);
            }
        }
        if (node.previousElementSibling !== place || node.parentElement !== now) {
            place ? place.after(node) : now.prepend(node);
        }
        place = node;
    }
    while (place ? place.nextElementSibling : now.firstElementChild) {
        (place ? place.nextElementSibling : now.firstElementChild).remove();
        changed += 1;
    }
    if (changed) {
        document.getElementById('news').textContent = '';
        requestAnimationFrame(() => {
            document.getElementById('news').textContent = document.getElementById('questions').dataset.changed;
        });
    }
}

/** A text that is being typed was not sent yet. */
function keepTyped(before, after) {
    before.querySelectorAll('input[type=text], input[type=email], input[type=tel], input[type=url], textarea').forEach((field) => {
        const same = field === document.activeElement && [...after.querySelectorAll('[name]')].find((f) => f.name === field.name);
        if (same) {
            same.value = field.value;
        }
    });
}

function refocus(node, held) {
    const same = [...node.querySelectorAll('[name]')].find((f) => f.name === held.name
        && (f.type !== 'radio' && f.type !== 'checkbox' || f.value === held.value));
    same?.focus();
    if (same && held.selectionStart != null) {
        same.setSelectionRange?.(held.selectionStart, held.selectionEnd);
    }
}

function replace(id, fresh) {
    const there = document.getElementById(id);
    const next = fresh.getElementById(id);
    if (there && next && !there.contains(document.activeElement)) {
        there.replaceWith(document.adoptNode(next));
    }
}

/** Buttons keep their place and the focus; only what they say changes. */
function replaceWords(id, fresh) {
    document.querySelectorAll(`#${id} button`).forEach((button) => {
        const next = fresh.querySelector(`#${id} button[value="${button.value}"]`);
        if (next && next.textContent !== button.textContent) {
            button.textContent = next.textContent;
        }
    });
}

let pause = 0;

function refreshIn(milliseconds) {
    asked += 1;
    clearTimeout(pause);
    pause = setTimeout(refresh, milliseconds);
}

document.addEventListener('change', (event) => {
    if (form()?.contains(event.target) && event.target.type !== 'file') {
        form().setAttribute('aria-busy', 'true');
        refreshIn(30);
    }
});

// A slider is an addition to its box: the box says its value, and is empty until the slider was moved.
function slider(box) {
    const field = box.querySelector('input[type=text]');
    const range = document.createElement('input');
    range.type = 'range';
    range.min = box.dataset.least;
    range.max = box.dataset.most;
    range.step = box.dataset.decimals ? String(10 ** -Number(box.dataset.decimals)) : 'any';
    range.setAttribute('aria-label', field.labels[0]?.textContent.trim() ?? '');
    const show = () => {
        const number = Number(field.value.replace(',', '.'));
        const given = field.value.trim() !== '' && !Number.isNaN(number);
        range.classList.toggle('unanswered', !given);
        range.value = given ? number : (Number(range.min) + Number(range.max)) / 2;
        range.setAttribute('aria-valuetext', given ? field.value : 'no answer yet');
    };
    const take = () => {
        const decimals = Number(box.dataset.decimals || 2);
        field.value = String(Number(Number(range.value).toFixed(decimals)));
        show();
    };
    range.addEventListener('input', take);
    range.addEventListener('click', take);
    range.addEventListener('keydown', (event) => {
        if (event.key === ' ' || event.key === 'Enter') {
            take();
            event.preventDefault();
        }
    });
    field.addEventListener('input', show);
    box.before(range);
    show();
}

// A mask helps while typing: fixed signs are put in when the field is left. It refuses nothing and never touches what is pasted meanwhile.
function masked(field) {
    field.addEventListener('change', () => {
        const signs = [...field.value].filter((sign) => /[\p{L}\p{N}]/u.test(sign));
        let formatted = '';
        for (const place of field.dataset.mask) {
            if (!signs.length) {
                break;
            }
            const fits = place === 'A' ? /\p{L}/u : place === '9' ? /\p{N}/u : place === '*' ? /[\p{L}\p{N}]/u : null;
            if (!fits) {
                formatted += place;
                if (signs[0] === place) {
                    signs.shift();
                }
            } else if (fits.test(signs[0])) {
                formatted += signs.shift();
            } else {
                return;
            }
        }
        if (!signs.length) {
            field.value = formatted;
        }
    });
    field.placeholder ||= field.dataset.mask;
}

// A signature may be drawn; the name typed beside it does as well.
function pad(box) {
    const path = box.querySelector('input.path');
    const place = document.createElement('div');
    place.className = 'pad';
    const svg = document.createElementNS('http://www.w3.org/2000/svg', 'svg');
    svg.setAttribute('viewBox', '0 0 400 120');
    svg.setAttribute('role', 'img');
    svg.setAttribute('aria-label', document.getElementById('questions').dataset.sign);
    const line = document.createElementNS(svg.namespaceURI, 'path');
    line.setAttribute('d', path.value);
    svg.append(line);
    const clear = document.createElement('button');
    clear.type = 'button';
    clear.className = 'plain';
    clear.textContent = document.getElementById('questions').dataset.redraw;
    clear.addEventListener('click', () => {
        path.value = '';
        line.setAttribute('d', '');
    });
    let drawing = false;
    const at = (event) => {
        const frame = svg.getBoundingClientRect();
        const across = (event.clientX - frame.left) * 400 / frame.width;
        const down = (event.clientY - frame.top) * 120 / frame.height;
        return `${across.toFixed(1)} ${down.toFixed(1)}`;
    };
    svg.addEventListener('pointerdown', (event) => {
        drawing = true;
        svg.setPointerCapture(event.pointerId);
        path.value += `M${at(event)}`;
        event.preventDefault();
    });
    svg.addEventListener('pointermove', (event) => {
        if (drawing && path.value.length < 50_000) {
            path.value += `L${at(event)}`;
            line.setAttribute('d', path.value);
        }
    });
    svg.addEventListener('pointerup', () => {
        drawing = false;
    });
    place.append(svg, clear);
    box.append(place);
}

// While a text is typed, a rest is enough: nobody knows that leaving the box is what counts.
document.addEventListener('input', (event) => {
    if (form()?.contains(event.target) && event.target.matches(
            'input[type=text], input[type=email], input[type=tel], input[type=url], textarea')) {
        refreshIn(600);
    }
});

// What was typed last is told on leaving in another way than by a button, so that it is there when the page is opened again.
let leaving = false;
document.addEventListener('submit', (event) => {
    leaving = true;
    // The page that comes next opens the entry that is added.
    const [act, roster] = (event.submitter?.value ?? '').split(':');
    if (act === 'add') {
        sessionStorage.setItem('orthogon-added', roster);
    }
});
document.addEventListener('click', (event) => {
    // Who keeps the page as it was saved takes back what was typed since.
    leaving ||= Boolean(event.target.closest('[data-as-saved]'));
});
addEventListener('pagehide', () => {
    const here = form();
    if (!leaving && here?.dataset.live.startsWith('/i/')) {
        const data = new URLSearchParams();
        new FormData(here).forEach((value, name) => typeof value === 'string' && data.append(name, value));
        navigator.sendBeacon(here.dataset.live, data);
    }
});

// A long list of choices can be searched; what is chosen stays in sight.
function searched(list) {
    const choices = [...list.querySelectorAll('.choice')];
    const field = document.createElement('input');
    field.type = 'search';
    field.placeholder = list.dataset.find;
    field.setAttribute('aria-label', list.dataset.find);
    field.autocomplete = 'off';
    const count = document.createElement('span');
    count.className = 'quiet';
    count.setAttribute('role', 'status');
    const plain = (text) => text.normalize('NFKD').replace(/\p{M}/gu, '').toLowerCase();
    const find = () => {
        const wanted = plain(field.value.trim());
        const found = choices.filter((choice) => plain(choice.textContent).includes(wanted));
        choices.forEach((choice) => {
            choice.hidden = !found.includes(choice) && !choice.querySelector('input').checked;
        });
        count.textContent = wanted ? `${found.length} / ${choices.length}` : '';
    };
    field.addEventListener('input', find);
    field.addEventListener('keydown', (event) => {
        if (event.key === 'Enter') {
            event.preventDefault();
        }
    });
    const head = document.createElement('div');
    head.className = 'find';
    head.append(field, count);
    list.before(head);
    list.classList.add('scrolls');
}

function enhance(within) {
    // Few pages have one, so that the others do not wait for it.
    within.querySelectorAll('[data-lookup]').forEach(async (box) => {
        const { lookup } = await import('./lookup.js');
        lookup(box, form, headers);
    });
    within.querySelectorAll('[data-entries]').forEach(async (roster) => {
        const { entries } = await import('./entries.js');
        entries(roster);
    });
    within.querySelectorAll('[data-find]').forEach(searched);
    within.querySelectorAll('[data-slider]').forEach(slider);
    within.querySelectorAll('[data-mask]').forEach(masked);
    within.querySelectorAll('.signature').forEach(pad);
}

/** Whether a field holds something else than the page came with. */
function isChanged(field) {
    if (field.options) {
        return field.selectedIndex !== Math.max(0, [...field.options].findIndex((option) => option.defaultSelected));
    }
    return ['radio', 'checkbox'].includes(field.type)
        ? field.checked !== field.defaultChecked
        : 'defaultValue' in field && field.type !== 'file' && field.value !== field.defaultValue;
}

// On a slow line somebody answers before the script arrives.
if (form() && [...form().elements].some(isChanged)) {
    form().setAttribute('aria-busy', 'true');
    refreshIn(30);
}

enhance(document);
document.querySelectorAll('[data-print]').forEach((button) => {
    button.hidden = false;
    button.addEventListener('click', () => {
        document.querySelectorAll('details.copy').forEach((copy) => {
            copy.open = true;
        });
        print();
    });
});
const told = document.getElementById('dropped') ?? document.getElementById('problems');
told?.focus();

// Where nothing stands above the first field, typing can begin at once. A phone would cover the page with its keyboard.
const first = form()?.dataset.first && form().dataset.live.startsWith('/i/') && !told && !location.hash
    && matchMedia('(pointer: fine)').matches
    && form().querySelector('.question :is(input:checked, input:not([type=hidden]), textarea, select)');
if (first) {
    first.focus({ preventScroll: true });
}

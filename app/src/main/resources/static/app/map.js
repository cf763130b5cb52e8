// Map: moving and sizing the drawing, finding a box, and showing what it decides. The drawing itself comes from the server.
const { sheetKeys } = window.orthogon;
const drawing = () => document.getElementById('drawing');
const size = () => drawing().dataset.size.split(' ').map(Number);
let view = null;

function show() {
    drawing()?.setAttribute('viewBox', view.join(' '));
}

/** The whole drawing where it stays legible, else its upper part at full size. */
function begin(whole) {
    const box = document.getElementById('map-drawing');
    if (!drawing() || !box) {
        return;
    }
    const [width, height] = size();
    const fit = Math.max(width / box.clientWidth, height / box.clientHeight, 0.8);
    const scale = whole || fit < 1.5 ? fit : Math.min(Math.max(width / box.clientWidth, 1), 1.5);
    view = [(width - box.clientWidth * scale) / 2, 0, box.clientWidth * scale, box.clientHeight * scale];
    show();
}

function zoom(factor, x, y) {
    const [left, top, width, height] = view;
    const grown = Math.min(Math.max(width * factor, 200), Math.max(...size()) * 4) / width;
    view = [left + x * width * (1 - grown), top + y * height * (1 - grown), width * grown, height * grown];
    show();
}

function move(x, y) {
    view = [view[0] + x * view[2], view[1] + y * view[3], view[2], view[3]];
    show();
}

const boxes = () => [...(drawing()?.querySelectorAll('[data-code]') ?? [])];

/** Everything that hangs on an item: what it decides, what that decides, and the ways that its conditions speak of. */
function influenced(code) {
    const codes = new Set([code]);
    const lines = [...drawing().querySelectorAll('.line')];
    let more = true;
    while (more) {
        more = false;
        for (const line of lines) {
            const from = line.dataset.from.split('~').at(-1);
            if (codes.has(from) && !codes.has(line.dataset.to)) {
                codes.add(line.dataset.to);
                more = true;
            }
        }
    }
    return codes;
}

function choose(code, centre) {
    const box = boxes().find((b) => b.dataset.code === code && !b.classList.contains('reference'))
        ?? boxes().find((b) => b.dataset.code === code);
    boxes().forEach((b) => b.classList.remove('on', 'hangs'));
    drawing()?.querySelectorAll('.line, .way').forEach((l) => l.classList.remove('hangs', 'into'));
    if (!box) {
        return false;
    }
    const hang = influenced(code);
    boxes().forEach((b) => b.classList.toggle('hangs', hang.has(b.dataset.code)));
    drawing().querySelectorAll('.line').forEach((l) => {
        l.classList.toggle('hangs', hang.has(l.dataset.from.split('~').at(-1)));
        l.classList.toggle('into', l.dataset.to === code);
    });
    drawing().querySelectorAll('.way').forEach((w) => {
        w.classList.toggle('hangs', (w.dataset.uses ?? '').split(' ').some((u) => u && hang.has(u)));
    });
    box.classList.add('on');
    drawing().classList.add('chosen');
    document.getElementById('map-at').value = code;
    if (centre) {
        const at = box.querySelector('rect').getBBox();
        const scale = Math.min(view[2] / document.getElementById('map-drawing').clientWidth, 1.1);
        const area = document.getElementById('map-drawing');
        view = [at.x + at.width / 2 - area.clientWidth * scale / 2, at.y + Math.min(at.height, 300) / 2 - area.clientHeight * scale / 2,
            area.clientWidth * scale, area.clientHeight * scale];
        show();
    }
    const base = document.querySelector('.map').dataset.base;
    htmx.ajax('GET', `${base}/about?at=${encodeURIComponent(code)}`, { target: '#map-about', swap: 'innerHTML', source: '#map-about' });
    return true;
}

/** One way: what leads along it, and who takes it. */
function follow(way) {
    way.classList.add('hangs');
    way.parentElement.append(way);
    htmx.ajax('GET', `${document.querySelector('.map').dataset.base}/way?number=${way.dataset.way}`,
        { target: '#map-about', swap: 'innerHTML', source: '#map-about' });
}

function unchoose() {
    drawing()?.querySelectorAll('.way.hangs').forEach((w) => w.classList.remove('hangs'));
    boxes().forEach((b) => b.classList.remove('on', 'hangs'));
    drawing()?.classList.remove('chosen');
    document.getElementById('map-at').value = '';
}

document.addEventListener('wheel', (event) => {
    const area = event.target.closest('#map-drawing');
    if (area) {
        event.preventDefault();
        const at = area.getBoundingClientRect();
        zoom(event.deltaY > 0 ? 1.15 : 1 / 1.15, (event.clientX - at.left) / at.width, (event.clientY - at.top) / at.height);
    }
}, { passive: false });

let held = null;
let moved = false;
document.addEventListener('pointerdown', (event) => {
    if (event.target.closest('#map-drawing') && event.button === 0) {
        held = { x: event.clientX, y: event.clientY };
        moved = false;
    }
});
document.addEventListener('pointermove', (event) => {
    if (held) {
        const area = document.getElementById('map-drawing');
        const dx = event.clientX - held.x;
        const dy = event.clientY - held.y;
        moved ||= Math.abs(dx) + Math.abs(dy) > 4;
        if (moved) {
            move(-dx / area.clientWidth, -dy / area.clientHeight);
            held = { x: event.clientX, y: event.clientY };
        }
    }
});
addEventListener('pointerup', () => {
    held = null;
});

document.addEventListener('click', (event) => {
    const control = event.target.closest('[data-zoom]');
    const link = event.target.closest('[data-find]');
    if (control) {
        control.dataset.zoom === 'whole' ? begin(true) : zoom(control.dataset.zoom === 'in' ? 1 / 1.3 : 1.3, 0.5, 0.5);
    } else if (event.target.closest('[data-print]')) {
        print();
    } else if (link) {
        event.preventDefault();
        choose(link.dataset.find, true);
    } else if (event.target.closest('#map-drawing') && !moved) {
        const box = event.target.closest('[data-code]');
        const way = event.target.closest('[data-way]');
        if (box) {
            choose(box.dataset.code, false);
        } else {
            unchoose();
            way && follow(way);
        }
    }
});

document.addEventListener('change', (event) => {
    if (event.target.matches('[data-sends]')) {
        event.target.form.requestSubmit();
    } else if (event.target.id === 'map-find') {
        find(event.target);
    }
});
document.addEventListener('submit', (event) => {
    if (event.target.id === 'map-tools' && document.activeElement?.id === 'map-find') {
        event.preventDefault();
        find(document.activeElement);
    }
});

/** By code, else by words that stand in a box. */
function find(field) {
    const wanted = field.value.trim().toLowerCase();
    if (!wanted) {
        return;
    }
    const found = boxes().find((b) => b.dataset.code === wanted) ?? boxes().find((b) => b.textContent.toLowerCase().includes(wanted));
    field.setCustomValidity('');
    if (found) {
        choose(found.dataset.code, true);
    } else {
        field.setCustomValidity('Nothing drawn says that; draw everything, or look for something else.');
        field.reportValidity();
    }
}

sheetKeys.push((event, command) => {
    if (command || event.altKey || !drawing()) {
        return false;
    }
    const keys = {
        ArrowLeft: () => move(-0.1, 0), ArrowRight: () => move(0.1, 0), ArrowUp: () => move(0, -0.1), ArrowDown: () => move(0, 0.1),
        '+': () => zoom(1 / 1.3, 0.5, 0.5), '-': () => zoom(1.3, 0.5, 0.5), 0: () => begin(true),
        '/': () => document.getElementById('map-find').focus(),
    };
    if (keys[event.key]) {
        event.preventDefault();
        keys[event.key]();
        return true;
    }
    return false;
});

// On A3, upright where the drawing is: on one sheet where it stays legible, else on as many as it needs.
addEventListener('beforeprint', () => {
    if (!drawing()) {
        return;
    }
    const [width, height] = size();
    const tall = height > width;
    const [across, down] = tall ? [1040, 1500] : [1500, 1040];
    const scale = Math.min(1.2, across / width, Math.max(down / height, 0.75));
    document.querySelector('.map').classList.toggle('tall', tall);
    drawing().setAttribute('viewBox', `0 0 ${width} ${height}`);
    drawing().style.width = `${width * scale}px`;
    drawing().style.height = `${height * scale}px`;
});
addEventListener('afterprint', () => {
    drawing()?.removeAttribute('style');
    show();
});

// An edit draws it anew; what was in sight stays in sight.
document.addEventListener('htmx:afterSettle', (event) => {
    if (event.detail.target?.id === 'sheet' && view && drawing()) {
        show();
        const at = document.getElementById('map-at').value;
        at && choose(at, false);
    }
});

begin(false);
const at = document.querySelector('.map')?.dataset.at;
if (at && drawing()) {
    choose(at === 'Outcomes' ? '~table' : at, true);
}

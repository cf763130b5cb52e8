// The table of responses: what is chosen, the choice of columns, and the keys of one response.
const table = document.querySelector('.responses-table');

function chosen() {
    const every = document.querySelector('[data-every]');
    const ticks = [...document.querySelectorAll('input[name=receipt]')];
    const count = ticks.filter((tick) => tick.checked).length;
    document.querySelectorAll('[data-chosen]').forEach((shown) => {
        shown.textContent = every?.checked ? document.querySelector('.count b').textContent : count;
    });
    const saved = document.querySelector(count > 0 && !every?.checked ? '[data-of-chosen]' : '[data-of-table]');
    if (saved) {
        saved.checked = true;
    }
    const page = document.querySelector('[data-page]');
    if (page) {
        page.checked = count > 0 && count === ticks.length;
        page.indeterminate = count > 0 && count < ticks.length;
    }
    ticks.forEach((tick) => tick.closest('tr').classList.toggle('on', tick.checked || Boolean(every?.checked)));
}

document.addEventListener('change', (event) => {
    if (event.target.matches('[data-page]')) {
        document.querySelectorAll('input[name=receipt]').forEach((tick) => { tick.checked = event.target.checked; });
    }
    if (event.target.matches('[data-page], [data-every], input[name=receipt]')) {
        chosen();
    } else if (event.target.id === 'filter') {
        event.target.form.requestSubmit();
    }
});

// The columns open below the bar that names them.
const columns = document.getElementById('columns');
document.querySelector('[data-shows=columns]')?.addEventListener('toggle', (event) => {
    columns.hidden = !event.target.open;
});

// The order of the columns that are shown.
columns?.addEventListener('click', (event) => {
    const item = event.target.closest('[data-column]');
    if (item && event.target.matches('[data-earlier]')) {
        item.previousElementSibling?.before(item);
    } else if (item && event.target.matches('[data-later]')) {
        item.nextElementSibling?.after(item);
    }
    if (item) {
        columns.elements.order.value = [...columns.querySelectorAll('[data-column]')].map((li) => li.dataset.column).join(',');
        event.target.focus();
    }
});

document.addEventListener('keydown', (event) => {
    const typing = event.target.closest('input, select, textarea');
    const step = { j: 'next', k: 'previous' }[event.key];
    if (step && !typing && !event.ctrlKey && !event.altKey && !event.metaKey) {
        document.querySelector(`[data-step=${step}]`)?.click();
    }
});

if (table) {
    chosen();
}

// The groups that stand beside each other are two values of the same question.
function grouped(by) {
    document.querySelectorAll('select[data-group]').forEach((select) => {
        [...select.querySelectorAll('optgroup')].forEach((group) => {
            const fits = group.label === by.value;
            group.disabled = !fits;
            group.hidden = !fits;
        });
        select.hidden = by.value === '';
        const fitting = [...select.options].filter((option) => !option.parentElement.disabled);
        if (!fitting.some((option) => option.selected)) {
            (fitting[Number(select.dataset.group)] ?? fitting[0])?.setAttribute('selected', '');
            select.value = (fitting[Number(select.dataset.group)] ?? fitting[0])?.value ?? '';
        }
    });
}

const by = document.querySelector('select[data-by]');
if (by) {
    grouped(by);
    by.addEventListener('change', () => grouped(by));
}

// The sentence builder stands above the inspector's form and puts its text into the field that it was opened for.
function build(field) {
    const here = document.querySelector('[data-base]').dataset.base;
    htmx.ajax('POST', `${here.replace(/\/(rules|prove|dispatch)$/, '/compose')}/sentence`, {
        target: '#builder', swap: 'innerHTML', source: '#builder',
        values: {
            family: field.dataset.family, owner: field.dataset.owner ?? '', field: named(field), text: field.value,
            title: field.getAttribute('aria-label') ?? document.querySelector(`label[for="${field.id}"]`)?.textContent ?? '',
        },
    }).then(() => beside(field));
}

/** The field's id; entries that were added on the page get one now. */
function named(field) {
    field.id ||= `field-${Date.now()}`;
    return field.id;
}

/** The builder opens below the field that it is for. */
function beside(field) {
    const builder = document.getElementById('builder');
    const around = builder.closest('.inspector');
    if (around && field.isConnected) {
        const top = field.getBoundingClientRect().bottom - around.getBoundingClientRect().top + around.scrollTop;
        builder.style.top = `${top + 4}px`;
        const over = builder.getBoundingClientRect().bottom - around.getBoundingClientRect().bottom;
        if (over > 0) {
            around.scrollTop += over + 8;
        }
    } else {
        builder.scrollIntoView({ block: 'nearest' });
    }
}

const fieldOf = (opener) => (opener.dataset.build
    ? document.getElementById(opener.dataset.build)
    : opener.closest('.with-build').querySelector('input'));

// The button acts as soon as it is pressed, before the field that is left is sent and the inspector drawn anew.
document.addEventListener('mousedown', (event) => {
    const opener = event.target.closest('[data-build]');
    if (opener) {
        event.preventDefault();
        build(fieldOf(opener));
    } else if (event.target.closest('form.sentence button')) {
        // An answer that came between pressing and letting go would take the button away.
        event.preventDefault();
        htmx.trigger(event.target.closest('form.sentence'), 'htmx:abort');
    }
});

/** Asks once more with all that was chosen, then puts the condition into its field and closes the builder, unless it is wrong. */
async function put(form) {
    await ask(form, 'use');
    const answered = document.querySelector('#builder form.sentence');
    const field = answered && document.getElementById(answered.dataset.field);
    if (field && !answered.querySelector('[data-put]').disabled) {
        field.value = answered.dataset.result;
        document.getElementById('builder').replaceChildren();
        field.dispatchEvent(new Event('change', { bubbles: true }));
        field.focus();
    }
}

/** Sends the whole form. What was asked before would sweep the form away, and this with it. */
function ask(form, act) {
    htmx.trigger(form, 'htmx:abort');
    return htmx.ajax('POST', form.getAttribute('hx-post'), { source: form, target: '#builder', swap: 'innerHTML', values: { act } });
}

document.addEventListener('click', (event) => {
    const opener = event.target.closest('[data-build]');
    const act = event.target.closest('[data-act]');
    const form = event.target.closest('form.sentence');
    if (opener) {
        if (event.detail === 0) {
            // By keyboard.
            build(fieldOf(opener));
        }
    } else if (act) {
        ask(form, act.value);
    } else if (event.target.closest('[data-put]')) {
        put(form);
    } else if (event.target.closest('[data-unbuild]')) {
        htmx.trigger(form, 'htmx:abort');
        document.getElementById('builder').replaceChildren();
    }
});

// An answer to an earlier choice must not sweep away what is being typed meanwhile; leaving the field asks again, with all of it.
document.addEventListener('input', (event) => {
    const form = event.target.closest('form.sentence');
    if (form) {
        htmx.trigger(form, 'htmx:abort');
    }
});

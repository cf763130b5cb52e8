// The sentence builder stands above the inspector's form and puts its text into the field that it was opened for.
function build(field) {
    const here = document.querySelector('[data-base]').dataset.base;
    htmx.ajax('POST', `${here.replace(/\/(rules|prove)$/, '/compose')}/sentence`, {
        target: '#builder', swap: 'innerHTML', source: '#builder',
        values: { family: field.dataset.family, owner: field.dataset.owner ?? '', field: field.id, text: field.value },
    }).then(() => document.getElementById('builder').scrollIntoView({ block: 'nearest' }));
}

document.addEventListener('click', (event) => {
    const opener = event.target.closest('[data-build]');
    const act = event.target.closest('[data-act]');
    const form = event.target.closest('form.sentence');
    if (opener) {
        build(document.getElementById(opener.dataset.build));
    } else if (act) {
        // What was asked before would sweep the form away, and this with it; all that was chosen goes along.
        htmx.trigger(form, 'htmx:abort');
        htmx.ajax('POST', form.getAttribute('hx-post'), { source: form, target: '#builder', swap: 'innerHTML', values: { act: act.value } });
    } else if (event.target.closest('[data-put]')) {
        const field = document.getElementById(form.dataset.field);
        field.value = form.dataset.result;
        document.getElementById('builder').replaceChildren();
        field.dispatchEvent(new Event('change', { bubbles: true }));
        field.focus();
    } else if (event.target.closest('[data-unbuild]')) {
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

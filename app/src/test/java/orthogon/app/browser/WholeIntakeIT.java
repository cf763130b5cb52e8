package orthogon.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.time.LocalDate;
import java.util.regex.Pattern;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.formats.document.DocumentReader;
import org.junit.jupiter.api.Test;
import org.springframework.core.io.ClassPathResource;

/** The whole intake with a roster of two animals, answered in each way in which people answer. */
class WholeIntakeIT {

    private final RunningApplication application = RunningApplication.withDemo();

    private static Questionnaire intake() throws Exception {
        return DocumentReader.read(new ClassPathResource("demo/found_animal.orthogon.json").getContentAsByteArray());
    }

    /** One way to fill in a form. */
    private abstract static class Hand {
        final Page page;

        Hand(Page page) {
            this.page = page;
        }

        abstract void choose(String question, String option);

        abstract void write(String label, String text);

        abstract void press(String button);

        Locator option(String question, String option) {
            return page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName(question))
                    .getByLabel(option, new Locator.GetByLabelOptions().setExact(true));
        }

        /** A person looks at what an answer led to before going on. */
        void settled() {
            page.locator("#questions:not([aria-busy])").waitFor();
        }

        /** Until the next page is there; without script, questions appear only then. */
        void onward() {
            press("Next");
        }
    }

    private static final class Mouse extends Hand {
        Mouse(Page page) {
            super(page);
        }

        @Override
        void choose(String question, String option) {
            option(question, option).click();
            settled();
        }

        @Override
        void write(String label, String text) {
            page.getByLabel(label).click();
            page.getByLabel(label).fill(text);
        }

        @Override
        void press(String button) {
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(button).setExact(true)).click();
        }
    }

    /** Only ever presses keys; what it wants must come into focus by Tab. */
    private static final class Keyboard extends Hand {
        Keyboard(Page page) {
            super(page);
        }

        private boolean has(Locator wanted) {
            return (Boolean) wanted.first().evaluate("e => e === document.activeElement"
                    + " || e.type === 'radio' && document.activeElement?.type === 'radio' && e.name === document.activeElement.name");
        }

        private void reach(Locator wanted) {
            wanted.first().waitFor();
            for (int tries = 0; tries < 160; tries++) {
                if (has(wanted)) {
                    return;
                }
                page.keyboard().press("Tab");
            }
            throw new AssertionError("Tab does not come to " + wanted);
        }

        @Override
        void choose(String question, String option) {
            Locator wanted = option(question, option);
            reach(wanted);
            if (wanted.getAttribute("type").equals("radio")) {
                // Arrows move through the options of a question, and round again.
                page.keyboard().press("Space");
                for (int tries = 0; tries < 12 && !wanted.isChecked(); tries++) {
                    page.keyboard().press("ArrowDown");
                    page.waitForTimeout(60);
                }
            } else {
                page.keyboard().press("Space");
            }
            assertTrue(wanted.isChecked(), question + ": " + option);
            settled();
        }

        @Override
        void write(String label, String text) {
            Locator field = page.getByLabel(label);
            reach(field);
            if ("date".equals(field.first().getAttribute("type"))) {
                LocalDate day = LocalDate.parse(text);
                page.keyboard().type("%02d%02d%d".formatted(day.getMonthValue(), day.getDayOfMonth(), day.getYear()));
            } else {
                page.keyboard().press("ControlOrMeta+a");
                page.keyboard().type(text);
            }
            page.keyboard().press("Tab");
        }

        @Override
        void press(String button) {
            reach(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(button).setExact(true)));
            page.keyboard().press("Enter");
        }
    }

    /** With script: everything that an answer leads to is there at once. */
    private void answer(Hand hand, String link) {
        Page page = hand.page;
        page.setDefaultTimeout(60_000);
        page.navigate(application.address() + link);
        hand.press("Begin");
        hand.write("When did you find it?", LocalDate.now().toString());
        hand.write("Where did you find it?", "Mill lane <b>& weir</b>");
        hand.choose("Is it inside a building now?", "Yes");
        hand.choose("What is it kept in?", "A cage");
        hand.onward();
        hand.choose("Which kind of animal is in the building?", "Mammal");
        hand.choose("Is it alive?", "Yes");
        hand.write("How many animals are there?", "2");
        hand.choose("How old does it look?", "Fully grown");
        hand.onward();
        hand.choose("What did you see?", "Blood");
        hand.choose("Has the bleeding stopped?", "No");
        hand.choose("Was it caught by a cat?", "Yes");
        hand.choose("Does it try to get away when you come near?", "No");
        hand.onward();
        assertThat(page.locator(".introduction strong")).hasText("2 animals");
        hand.press("Add another Animal");
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Animal 2"))).isVisible();
        // On a phone each animal has a page of its own; the one that was added is open.
        Locator done = page.locator("#entry-done");
        boolean isPhone = done.isVisible();
        for (String of : new String[]{"1-size", "1-open_mouth", "2-size", "2-open_mouth"}) {
            Locator size = page.locator("#q-animals-" + of + " input[type=radio]").first();
            if (isPhone && !size.isVisible()) {
                done.click();
                page.locator(".in-short a").nth(of.startsWith("1") ? 0 : 1).click();
            }
            if (hand instanceof Keyboard keys) {
                keys.reach(size);
                page.keyboard().press("Space");
            } else {
                size.click();
            }
        }
        if (isPhone) {
            page.locator("#questions:not([aria-busy])").waitFor();
            done.click();
        }
        hand.onward();
        hand.choose("Did it bite or scratch anyone?", "No");
        hand.onward();
        hand.write("Given name", "Wenna");
        hand.write("Family name", "Tregle");
        hand.write("Your phone number", "01632 960 118");
        hand.choose("How shall we reach you?", "By phone");
        hand.onward();
        hand.choose("Can you bring it to the station yourself?", "Yes");
        hand.choose("When can you be here?", "Within an hour");
        hand.onward();
        hand.choose("Our terms", "The station may keep my answers for two years to look after this animal.");
        // The last button says what it does.
        hand.press("Review and send");
        assertThat(page.locator("main")).containsText("Mill lane <b>& weir</b>");
        hand.press("Send my answers");
        assertThat(page.locator("h1")).hasText("Bring it in now");
        assertThat(page.locator("main")).containsText("Please bring all 2 animals to Quillmere Wildlife Station now.");
        assertThat(page.locator("main strong").first()).hasText("Quillmere Wildlife Station");
    }

    private static Page window(int width, int height) {
        return Chromium.context(new Browser.NewContextOptions().setViewportSize(width, height)).newPage();
    }

    private static void fits(Page page) {
        assertEquals(0, ((Number) page.evaluate("() => document.documentElement.scrollWidth - innerWidth")).intValue(),
                "nothing is cut off");
    }

    @Test
    void byMouse() throws Exception {
        Page page = window(1280, 800);
        answer(new Mouse(page), application.released(intake()));
        page.getByText("What you sent").click();
        assertThat(page.locator("dl.answers")).containsText("By phone");
    }

    @Test
    void byKeyboardAlone() throws Exception {
        answer(new Keyboard(window(1280, 800)), application.released(intake()));
    }

    @Test
    void onAPhone() throws Exception {
        Page page = window(390, 844);
        answer(new Mouse(page), application.released(intake()));
        fits(page);
    }

    @Test
    void fromRightToLeft() throws Exception {
        Questionnaire intake = intake();
        // A language that Orthogon does not speak itself, so that its own words stay English for the hand that answers.
        Questionnaire arabic = new Questionnaire(intake.code(), intake.title(), "he", java.util.List.of("he"), intake.linkParameters(),
                intake.pages(), intake.outcomes(), intake.outcomeTable(), intake.claims(), java.util.Map.of(), intake.presentation(),
                intake.burden());
        Page page = window(390, 844);
        String link = application.released(arabic);
        page.navigate(application.address() + link);
        assertEquals("rtl", page.locator("html").getAttribute("dir"));
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Begin")).click();
        Locator label = page.locator("#q-where_found label");
        assertTrue(label.boundingBox().x + label.boundingBox().width > 300, "labels begin at the right");
        fits(page);
        answer(new Mouse(window(390, 844)), link);
    }

    @Test
    void leftMidwayAndTakenUpElsewhere() throws Exception {
        Page page = window(1280, 800);
        page.navigate(application.address() + application.released(intake()));
        Hand hand = new Mouse(page);
        hand.press("Begin");
        hand.write("Where did you find it?", "Alder wood");
        hand.press("Leave and come back later");
        hand.write("Your email address", "wenna at home");
        hand.press("Send me a link");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("is not an email address");
        hand.write("Your email address", "wenna@example.org");
        hand.press("Send me a link");
        assertThat(page.getByRole(AriaRole.STATUS)).containsText("wenna@example.org");
        Page mailbox = Chromium.signedIn(application.address(), "mirja");
        mailbox.navigate(application.address() + "/outbox");
        mailbox.locator(".mailbox-list a:has-text('wenna@example.org')").first().click();
        String text = mailbox.frameLocator("iframe").locator("body").innerText();
        java.util.regex.Matcher way = Pattern.compile("http\\S+/to/resume/[0-9a-f]{40}").matcher(text);
        assertTrue(way.find(), text);
        Page elsewhere = window(390, 844);
        elsewhere.navigate(way.group());
        assertThat(elsewhere.getByLabel("Where did you find it?")).hasValue("Alder wood");
    }

    @Test
    void aChangeThatTakesAnswersAwaySaysSoFirst() throws Exception {
        Page page = window(1280, 800);
        page.navigate(application.address() + application.released(intake()));
        Hand hand = new Mouse(page);
        hand.press("Begin");
        hand.write("When did you find it?", LocalDate.now().toString());
        hand.write("Where did you find it?", "Alder wood");
        hand.choose("Is it inside a building now?", "No");
        hand.onward();
        hand.choose("Which kind of animal is it?", "Mammal");
        hand.choose("Is it alive?", "Yes");
        hand.write("How many animals are there?", "1");
        hand.choose("How old does it look?", "Fully grown");
        hand.onward();
        hand.choose("What did you see?", "Blood");
        hand.choose("Has the bleeding stopped?", "No");
        hand.press("Back");
        hand.choose("Is it alive?", "No");
        // A dead animal ends it, so the button says so.
        hand.press("Review and send");
        assertThat(page.locator("#dropped h2")).containsText("discards");
        assertThat(page.locator("#dropped")).containsText("Has the bleeding stopped?");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Keep it as it was")).click();
        assertThat(page.locator("#q-alive input[value=yes]")).isChecked();
        hand.choose("Is it alive?", "No");
        // A dead animal ends it, so the button says so.
        hand.press("Review and send");
        hand.press("Change it");
        assertThat(page.locator("h1")).hasText("Your answers");
        hand.press("Change The animal");
        hand.choose("Is it alive?", "Yes");
        hand.onward();
        assertThat(page.locator("#q-seen input[value=blood]")).isChecked();
        assertThat(page.locator("#q-stopped input:checked")).hasValue("no");
    }
}

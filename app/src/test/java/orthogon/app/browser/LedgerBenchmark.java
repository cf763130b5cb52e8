package orthogon.app.browser;

import orthogon.core.answer.Answer;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.questionnaire.Item;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.formats.document.DocumentWriter;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.FilePayload;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;

/**
 * How long the ledger takes to open and an edit to show, in the browser, with drafts of 50 and of 500 questions in one run. Prints
 * milliseconds (medians) and the ratio of the two. Run it by {@code bin/bench-ledger}; nothing is asserted.
 */
public final class LedgerBenchmark {

    private static int rounds = 15;
    /** Edits before those that count, since a server that has just started is not what an analyst works with. */
    private static int warmUp = 150;

    private static int fewest = 50;

    private LedgerBenchmark() {}

    /** @param args {@code --short} measures small drafts once and without warming up, to see that it runs */
    public static void main(String[] args) {
        if (List.of(args).contains("--short")) {
            rounds = 1;
            warmUp = 1;
            fewest = 10;
        }
        try (RunningApplication application = RunningApplication.empty()) {
            System.out.println("questions  rules  open ms  select ms  edit ms  map ms  prove ms");
            double[] small = measured(application, fewest);
            double[] large = measured(application, 10 * fewest);
            System.out.printf("ratio             %7.1f  %9.1f  %7.1f  %6.1f  %8.1f%n", large[0] / small[0], large[1] / small[1],
                    large[2] / small[2], large[3] / small[3], large[4] / small[4]);
        }
        try (RunningApplication application = RunningApplication.fresh()) {
            sheets(application);
        }
        System.exit(0);
    }

    /** How long each sheet of the intake takes to open once its proof is there, beside the page to sign in. */
    private static void sheets(RunningApplication application) {
        Page page = Chromium.signedIn(application.address(), "ines");
        Chromium.open(page, application.address() + "/q/found_animal/prove");
        page.waitForFunction("() => !document.getElementById('block-claims').textContent.includes('being proved')"
                + " && !document.querySelector('.block').textContent.includes('counting')");
        List<String> paths = List.of("/login", "/", "/q/found_animal/compose", "/q/found_animal/rules", "/q/found_animal/map",
                "/q/found_animal/prove", "/q/found_animal/rehearse", "/q/found_animal/languages", "/q/found_animal/release",
                "/q/found_animal/responses");
        System.out.println("sheet                         open ms  answer ms    kB  open, to the sign-in page");
        double login = 0;
        for (String path : paths) {
            List<Double> open = new ArrayList<>();
            List<Double> answer = new ArrayList<>();
            double size = 0;
            for (int round = 0; round < 2 * rounds; round++) {
                double opened = opened(page, application.address() + path);
                double answered = ((Number) page.evaluate("() => performance.timing.responseEnd - performance.timing.requestStart"))
                        .doubleValue();
                size = ((Number) page.evaluate("() => performance.getEntriesByType('navigation')[0].decodedBodySize / 1000")).doubleValue();
                if (round >= rounds) {
                    open.add(opened);
                    answer.add(answered);
                }
            }
            login = login == 0 ? median(open) : login;
            System.out.printf("%-28s  %7.0f  %9.0f  %4.0f  %6.1f%n", path, median(open), median(answer), size, median(open) / login);
        }
    }

    /** Two rules for each question: when it is asked, by an answer not far before it, and when it must be answered. */
    static Questionnaire draft(int questions) {
        Random random = new Random(7);
        List<orthogon.core.questionnaire.Page> pages = new ArrayList<>();
        List<Item> items = new ArrayList<>();
        for (int n = 0; n < questions; n++) {
            Answer answer = n % 3 == 0 ? new YesNoAnswer() : new NumberAnswer(BigDecimal.ZERO, new BigDecimal(90), 0, "g");
            Question question = Question.of("q" + n, "Question number " + n + ", with a wording of an ordinary length?", answer);
            int decider = n < 3 ? -1 : (Math.max(0, n - 1 - random.nextInt(30)) / 3) * 3;
            items.add(decider < 0 ? question : question.withAskWhen("q" + decider + " = true").withRequireWhen("q" + decider + " = true"));
            if (items.size() == 8 || n == questions - 1) {
                pages.add(orthogon.core.questionnaire.Page.empty("page_" + pages.size(), "Page " + pages.size()).withItems(items));
                items = new ArrayList<>();
            }
        }
        return Questionnaire.blank("draft_" + questions, "A draft of " + questions).withPages(pages);
    }

    private static double[] measured(RunningApplication application, int questions) {
        Questionnaire draft = draft(questions);
        Page page = Chromium.signedIn(application.address(), "ines");
        page.locator("#file").setInputFiles(new FilePayload("draft.json", "application/json",
                DocumentWriter.write(draft).getBytes(StandardCharsets.UTF_8)));
        page.locator("form[action='/open'] button").click();
        page.waitForURL("**/compose**");
        String address = application.address() + "/q/" + draft.code() + "/compose?at=q" + questions / 2;
        List<Double> open = new ArrayList<>();
        List<Double> select = new ArrayList<>();
        List<Double> edit = new ArrayList<>();
        for (int round = 0; round < rounds; round++) {
            open.add(opened(page, address));
        }
        for (int round = -warmUp; round < rounds; round++) {
            if (round == 0) {
                select.clear();
                edit.clear();
            }
            int at = questions / 2 + Math.floorMod(round, Math.min(20, questions / 2 - 1));
            select.add(timed(page, "q" + at, """
                    (code) => new Promise((done) => {
                        const begun = performance.now();
                        const seen = new MutationObserver(() => {
                            if (document.querySelector('#inspector code')?.textContent === code) {
                                seen.disconnect();
                                requestAnimationFrame(() => done(performance.now() - begun));
                            }
                        });
                        seen.observe(document.getElementById('inspector'), { childList: true, subtree: true });
                        document.querySelector(`#row-${code} .wording`).click();
                    })"""));
            edit.add(timed(page, "q" + at, """
                    (code) => new Promise((done) => {
                        const field = document.getElementById('wording');
                        const wanted = `Another wording ${performance.now()}`;
                        const begun = performance.now();
                        const seen = new MutationObserver(() => {
                            if (document.querySelector(`#row-${code} .wording`)?.textContent === wanted) {
                                seen.disconnect();
                                requestAnimationFrame(() => done(performance.now() - begun));
                            }
                        });
                        seen.observe(document.body, { childList: true, subtree: true });
                        field.value = wanted;
                        field.dispatchEvent(new Event('change', { bubbles: true }));
                    })"""));
            page.waitForTimeout(round < 0 ? 0 : 300);
        }
        List<Double> map = new ArrayList<>();
        List<Double> prove = new ArrayList<>();
        for (int round = 0; round < rounds; round++) {
            map.add(opened(page, application.address() + "/q/" + draft.code() + "/map?level=all"));
            prove.add(opened(page, application.address() + "/q/" + draft.code() + "/prove"));
        }
        double[] medians = {median(open), median(select), median(edit), median(map), median(prove)};
        System.out.printf("%9d  %5d  %7.0f  %9.0f  %7.0f  %6.0f  %8.0f%n", questions, draft.ruleCount(), medians[0], medians[1],
                medians[2], medians[3], medians[4]);
        return medians;
    }

    private static double opened(Page page, String address) {
        page.navigate(address);
        return ((Number) page.evaluate("() => performance.timing.domComplete - performance.timing.navigationStart")).doubleValue();
    }

    private static double timed(Page page, String code, String script) {
        return ((Number) page.evaluate(script, code)).doubleValue();
    }

    private static double median(List<Double> of) {
        List<Double> sorted = new ArrayList<>(of);
        Collections.sort(sorted);
        return sorted.get(sorted.size() / 2);
    }
}

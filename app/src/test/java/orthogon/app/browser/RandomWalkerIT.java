package orthogon.app.browser;

import orthogon.app.questions.OrdinaryAnswers;
import orthogon.core.answer.Answer;
import orthogon.core.answer.Option;
import orthogon.core.answer.choice.ManyChoices;
import orthogon.core.answer.choice.OneChoice;
import orthogon.core.answer.contact.ContactAnswer;
import orthogon.core.answer.date.DateAnswer;
import orthogon.core.answer.file.Attachment;
import orthogon.core.answer.iso.IsoAnswer;
import orthogon.core.answer.lookup.LookupAnswer;
import orthogon.core.answer.number.NumberAnswer;
import orthogon.core.answer.parts.PartsAnswer;
import orthogon.core.answer.ranking.RankingAnswer;
import orthogon.core.answer.scale.ScaleAnswer;
import orthogon.core.answer.text.TextAnswer;
import orthogon.core.answer.time.TimeAnswer;
import orthogon.core.answer.yesno.YesNoAnswer;
import orthogon.core.expression.Wiring;
import orthogon.core.interview.Course;
import orthogon.core.interview.Interview;
import orthogon.core.interview.Problem;
import orthogon.core.interview.Slots;
import orthogon.core.interview.Unreadable;
import orthogon.core.questionnaire.EveryType;
import orthogon.core.questionnaire.Presentation;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import orthogon.core.questionnaire.Roster;
import orthogon.formats.document.DocumentReader;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.junit.jupiter.api.Assertions.fail;

import java.io.IOException;
import java.math.BigDecimal;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.Callable;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.core.io.ClassPathResource;

/** Answers by chance, right and wrong, through the real pages: what they ask, refuse and end in is what the interview says. */
class RandomWalkerIT {

    private static final int WALKS = Integer.getInteger("orthogon.walks", 20);
    private static final String HOSTILE = "<script>alert(1)</script>{count, plural} **x** \"'&";

    private final RunningApplication application = RunningApplication.withDemo();
    private final HttpClient http = HttpClient.newBuilder().followRedirects(HttpClient.Redirect.NEVER).build();
    private final OrdinaryAnswers ordinary = new OrdinaryAnswers(Map.of(), Map.of("alive", 80));
    private final Map<String, Integer> seen = new ConcurrentHashMap<>();

    private static Questionnaire document(String name) throws Exception {
        return name.equals("every_type")
                ? EveryType.document().withPresentation(Presentation.PLAIN)
                : DocumentReader.read(new ClassPathResource("demo/" + name + ".orthogon.json").getContentAsByteArray());
    }

    @ParameterizedTest
    @ValueSource(strings = {"found_animal", "foster_home", "bat_count", "every_type"})
    void thePagesAskRefuseAndEndAsTheInterviewSays(String name) throws Exception {
        Questionnaire document = document(name);
        String link = application.address() + application.released(document);
        List<Callable<Void>> walks = new ArrayList<>();
        for (int walk = 0; walk < WALKS; walk++) {
            int number = walk;
            walks.add(() -> {
                new Walk(link, Wiring.of(document), new Random(number * 31L + name.hashCode()), name + ", walk " + number).walk();
                return null;
            });
        }
        try (ExecutorService walkers = Executors.newFixedThreadPool(Runtime.getRuntime().availableProcessors())) {
            for (Future<Void> walk : walkers.invokeAll(walks)) {
                try {
                    walk.get();
                } catch (ExecutionException e) {
                    fail(e.getCause());
                }
            }
        }
        System.out.println(name + ": " + seen);
        for (String what : List.of("passed", "refused", "back")) {
            assertTrue(seen.getOrDefault(what, 0) > WALKS / 5, what + " happened: " + seen);
        }
        assertTrue(name.equals("bat_count") || seen.getOrDefault("sent", 0) > WALKS / 2, "most walks come to an end: " + seen);
    }

    private void count(String what) {
        seen.merge(what, 1, Integer::sum);
    }

    /** One respondent, and what the interview says of them. */
    private final class Walk {

        private final String link;
        private final Random random;
        private final String name;
        private Interview shadow;
        private String address;
        private int percent;

        Walk(String link, Wiring wiring, Random random, String name) {
            this.link = link;
            this.random = random;
            this.name = name;
            Map<String, String> values = new LinkedHashMap<>();
            wiring.document().arriving().stream().filter(p -> random.nextBoolean())
                    .forEach(p -> values.put(p.code(), p.allowed().isEmpty() ? "anything" : p.allowed().getFirst()));
            this.shadow = Interview.start(wiring, LocalDate.now(), values);
        }

        void walk() throws Exception {
            List<String[]> fields = new ArrayList<>();
            shadow.link().forEach((code, value) -> fields.add(new String[]{code, value}));
            HttpResponse<String> begun = post(link, fields);
            address = begun.headers().firstValue("location").orElseThrow();
            for (int turn = 0; turn < 60; turn++) {
                HttpResponse<String> page = get(address);
                if (page.statusCode() == 302) {
                    assertTrue(page.headers().firstValue("location").orElseThrow().endsWith("/review"), name);
                    send();
                    return;
                }
                Course.PageView view = shadow.course().current().orElseThrow(() -> new AssertionError(name + " should be complete"));
                compare(Jsoup.parse(page.body()), view, Set.of());
                turn(view);
            }
            count("given up");
        }

        private void compare(Document html, Course.PageView view, Set<String> refused) {
            assertEquals(view.page().code(), html.select("input[name=~page]").val(), name);
            assertEquals(view.shown().stream().filter(s -> s.question().isPresent()).map(Course.ShownItem::slot).toList(),
                    html.select("input[name=~shown]").eachAttr("value"), name + " on " + view.page().code());
            for (Course.ShownItem shown : view.shown()) {
                Element item = html.getElementById("q-" + shown.slot().replace('.', '-'));
                if (shown.question().isEmpty() || shown.locked()) {
                    continue;
                }
                assertEquals(shown.required(), item.select(".needed").isEmpty(), name + " " + shown.slot());
                if (shown.item() instanceof Question q
                        && (q.answer() instanceof OneChoice || q.answer() instanceof ManyChoices)
                        && item.select("datalist").isEmpty()) {
                    Set<String> offered = new TreeSet<>(
                            item.select("option[value~=.], input[type=radio], input[type=checkbox]").eachAttr("value"));
                    assertEquals(shown.offered().stream().map(Option::code).collect(Collectors.toCollection(TreeSet::new)), offered,
                            name + " " + shown.slot());
                }
            }
            Set<String> marked = new TreeSet<>(html.select(".item:has(.error)").eachAttr("id"));
            assertEquals(refused.stream().map(s -> "q-" + s.replace('.', '-')).collect(Collectors.toCollection(TreeSet::new)), marked,
                    name);
            assertTrue(html.select("script:not([src])").isEmpty(), "nothing that was typed becomes a script");
            int now = html.select("[role=progressbar]").isEmpty()
                    ? percent
                    : Integer.parseInt(html.select("[role=progressbar]").attr("aria-valuenow"));
            assertTrue(now >= percent, name + ": progress goes back from " + percent + " to " + now);
            percent = now;
        }

        private void turn(Course.PageView view) throws Exception {
            Map<String, Object> given = new LinkedHashMap<>();
            List<String[]> fields = new ArrayList<>(List.<String[]>of(new String[]{"~page", view.page().code()}));
            for (Course.ShownItem shown : view.shown()) {
                if (shown.item() instanceof Roster roster) {
                    int entries = roster.least() + random.nextInt(Math.min(3, roster.most() - roster.least() + 1));
                    List<String> numbers = IntStream.rangeClosed(1, entries).mapToObj(String::valueOf).toList();
                    given.put(roster.code(), numbers);
                    fields.add(new String[]{roster.code(), ""});
                    numbers.forEach(n -> fields.add(new String[]{roster.code(), n}));
                } else if (shown.item() instanceof Question question) {
                    fields.add(new String[]{"~shown", shown.slot()});
                    if (!shown.locked()) {
                        answer(question, shown, given, fields);
                    }
                }
            }
            boolean back = random.nextInt(9) == 0;
            fields.add(new String[]{"~go", back ? "back" : "next"});
            HttpResponse<String> response = post(address, fields);
            List<Course.ShownItem> dropped = shadow.dropped(shadow.keep(given));
            if (!dropped.isEmpty()) {
                count("warned");
                Document warned = Jsoup.parse(response.body());
                assertEquals(409, response.statusCode(), name);
                assertEquals(dropped.size(), warned.select("#dropped dt").size(), name);
                fields.add(new String[]{"~agreed", warned.select("input[name=~agreed]").val()});
                response = post(address, fields);
            }
            if (back) {
                count("back");
                shadow = shadow.keep(given).back();
                assertEquals(302, response.statusCode(), name);
                return;
            }
            Interview.LeaveResult step = shadow.leave(given);
            shadow = step.interview();
            switch (step) {
                case Interview.LeaveResult.Passed p -> {
                    count("passed");
                    assertEquals(302, response.statusCode(), name + " on " + view.page().code() + " with " + given + errors(response));
                    assertFalse(response.headers().firstValue("location").orElseThrow().contains("look="), name + " with " + given);
                }
                case Interview.LeaveResult.Appeared a -> {
                    count("appeared");
                    Document page = told(response);
                    assertFalse(page.select(".notice").isEmpty(), name + " is told of what appeared");
                    compare(page, shadow.course().current().orElseThrow(), Set.of());
                }
                case Interview.LeaveResult.Held h -> {
                    count("refused");
                    compare(told(response), shadow.course().current().orElseThrow(),
                            h.problems().stream().map(Problem::slot).collect(Collectors.toSet()));
                }
            }
        }

        /** The page that the answer leads to, which says what is wrong, or new. */
        private Document told(HttpResponse<String> response) throws Exception {
            assertEquals(302, response.statusCode(), name + errors(response));
            return Jsoup.parse(get(response.headers().firstValue("location").orElseThrow().replaceAll("#.*", "")).body());
        }

        private String errors(HttpResponse<String> response) {
            return Jsoup.parse(response.body()).select("#problems").text();
        }

        /** Mostly an ordinary answer; else what stands there, nothing, or nonsense. */
        private void answer(Question question, Course.ShownItem shown, Map<String, Object> given, List<String[]> fields) {
            int kind = random.nextInt(40);
            boolean answered = shown.value() != null;
            boolean wrong = shadow.course().current().orElseThrow().problems().stream().anyMatch(p -> p.slot().equals(shown.slot()));
            Object value = kind < (wrong ? 38 : answered ? 8 : 33)
                    ? ordinary.to(shown, random, shadow.today())
                    : kind < (answered ? 37 : 36) ? standing(shown) : nonsense(question.answer());
            if (value instanceof List<?> l && l.stream().anyMatch(Attachment.class::isInstance)) {
                return;
            }
            String slot = shown.slot();
            given.put(slot, value);
            switch (value) {
                case null -> {}
                case Map<?, ?> parts -> parts.forEach((part, inner) -> {
                    for (Object each : inner instanceof List<?> l ? l : List.of(inner)) {
                        fields.add(new String[]{slot + "~" + part, (String) each});
                    }
                });
                case List<?> l when question.answer() instanceof RankingAnswer -> {
                    for (int place = 1; place <= l.size(); place++) {
                        fields.add(new String[]{slot + "~" + place, (String) l.get(place - 1)});
                    }
                }
                case List<?> l -> l.forEach(each -> fields.add(new String[]{slot, (String) each}));
                case Boolean b -> fields.add(new String[]{slot, b ? "yes" : "no"});
                case BigDecimal d -> fields.add(new String[]{slot, d.toPlainString()});
                case Unreadable u -> fields.add(new String[]{slot, u.typed()});
                default -> fields.add(new String[]{slot, value.toString()});
            }
            boolean mayBeOther = question.answer().hasOwnOptions() && question.answer().options().stream().anyMatch(Option::other);
            if (mayBeOther && random.nextBoolean()) {
                given.put(Slots.other(slot), HOSTILE);
                fields.add(new String[]{Slots.other(slot), HOSTILE});
            }
        }

        /** What the controls hold: options that are no longer on offer are not among them. */
        private static Object standing(Course.ShownItem shown) {
            List<String> offered = shown.offered().stream().map(Option::code).toList();
            return !shown.question().orElseThrow().answer().hasOwnOptions()
                    ? shown.value()
                    : switch (shown.value()) {
                        case String code -> offered.contains(code) ? code : null;
                        case List<?> codes -> codes.stream().filter(offered::contains).toList();
                        case null, default -> shown.value();
                    };
        }

        private Object nonsense(Answer answer) {
            return switch (answer) {
                case NumberAnswer n -> random.nextBoolean() ? new Unreadable("many") : new BigDecimal("-12345.678");
                case ScaleAnswer s -> new BigDecimal("99");
                case DateAnswer d -> random.nextBoolean() ? new Unreadable("soon") : LocalDate.of(1901, 2, 3);
                case TimeAnswer t -> new Unreadable("25:99");
                case OneChoice c -> new Unreadable("no_such_option");
                case ManyChoices c -> new Unreadable("no_such_option");
                case YesNoAnswer y -> new Unreadable("perhaps");
                case IsoAnswer c -> new Unreadable("XX1");
                case ContactAnswer c -> new Unreadable(HOSTILE);
                case TextAnswer t -> HOSTILE;
                case LookupAnswer l -> new Unreadable(HOSTILE);
                case PartsAnswer p -> Map.of(p.parts().getFirst(), HOSTILE);
                default -> null;
            };
        }

        private void send() throws Exception {
            Course course = shadow.course();
            assertTrue(course.complete(), name + " is complete");
            HttpResponse<String> review = get(address + "/review");
            assertEquals(course.pages().stream().flatMap(p -> p.shown().stream()).filter(s -> s.question().isPresent()).count(),
                    Jsoup.parse(review.body()).select("dl.answers dt").size(), name);
            post(address + "/send", List.of());
            Document receipt = Jsoup.parse(get(address + "/receipt").body());
            Optional<Questionnaire.Outcome> outcome = course.outcome().flatMap(shadow.wiring().document()::outcome);
            assertEquals(outcome.map(Questionnaire.Outcome::label).orElse("Sent"), receipt.select("h1").text(), name);
            assertTrue(receipt.select("script:not([src])").isEmpty(), name);
            count("sent");
        }
    }

    private HttpResponse<String> get(String url) throws IOException, InterruptedException {
        return http.send(HttpRequest.newBuilder(absolute(url)).build(), HttpResponse.BodyHandlers.ofString());
    }

    private URI absolute(String url) {
        return URI.create(url.startsWith("http") ? url : application.address() + url);
    }

    private HttpResponse<String> post(String url, List<String[]> fields) throws IOException, InterruptedException {
        String body = fields.stream().map(f -> URLEncoder.encode(f[0], StandardCharsets.UTF_8) + "="
                + URLEncoder.encode(f[1], StandardCharsets.UTF_8)).collect(Collectors.joining("&"));
        return http.send(HttpRequest.newBuilder(absolute(url)).header("Content-Type", "application/x-www-form-urlencoded")
                .POST(HttpRequest.BodyPublishers.ofString(body)).build(), HttpResponse.BodyHandlers.ofString());
    }
}

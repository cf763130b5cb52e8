package orthogon.app.browser;

import java.io.IOException;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Queue;
import java.util.Random;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import orthogon.core.proof.Bombs;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;

/**
 * Many respondents at once, each of whom reads a page for some seconds, fills it in, and goes on. Run by itself it prints how long pages
 * took, beside the sign-in page of the same server, which costs next to nothing.
 */
final class Respondents {

    private static final int MOST_PAGES = 60;

    /** What happened to all of them. */
    record Figures(List<Long> millis, Queue<String> errors, int sent) {

        long percentile(int percent) {
            long[] sorted = millis.stream().mapToLong(Long::longValue).sorted().toArray();
            return sorted.length == 0 ? 0 : sorted[Math.min(sorted.length - 1, sorted.length * percent / 100)];
        }
    }

    private final String address;
    private final Duration pause;
    /** One for all: respondents have no cookies, and a client for each would take the processors from the server. */
    private final HttpClient client = HttpClient.newBuilder().followRedirects(HttpClient.Redirect.ALWAYS)
            .version(HttpClient.Version.HTTP_1_1).build();
    private final Queue<Long> millis = new ConcurrentLinkedQueue<>();
    private final Queue<String> errors = new ConcurrentLinkedQueue<>();
    private final AtomicInteger sent = new AtomicInteger();

    /** @param address of a questionnaire, as respondents are given it */
    Respondents(String address, Duration pause) {
        this.address = address;
        this.pause = pause;
    }

    Figures answer(int people, Duration time) throws InterruptedException {
        Instant until = Instant.now().plus(time);
        try (ExecutorService all = Executors.newVirtualThreadPerTaskExecutor()) {
            for (int n = 0; n < people; n++) {
                int seed = n;
                all.execute(() -> one(seed, until));
            }
            all.shutdown();
            all.awaitTermination(time.toSeconds() + 120, TimeUnit.SECONDS);
        }
        return new Figures(new ArrayList<>(millis), errors, sent.get());
    }

    /** How many interviews are sent by now. */
    int sentSoFar() {
        return sent.get();
    }

    private void one(int seed, Instant until) {
        Random random = new Random(seed);
        try {
            Thread.sleep(random.nextLong(1 + pause.toMillis()));
            while (Instant.now().isBefore(until)) {
                interview(random, until);
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        } catch (IOException | RuntimeException | LinkageError e) {
            errors.add(e.toString());
        }
    }

    private void interview(Random random, Instant until) throws IOException, InterruptedException {
        HttpResponse<String> page = sent(HttpRequest.newBuilder(URI.create(address)).GET());
        for (int n = 0; n < MOST_PAGES && Instant.now().isBefore(until); n++) {
            Document read = Jsoup.parse(page.body(), page.uri().toString());
            Element form = read.selectFirst("form[method=post]:has(button.main)");
            if (form == null) {
                form = read.selectFirst("form[method=post]:has(button)");
            }
            if (form == null || page.uri().getPath().endsWith("/receipt")) {
                sent.incrementAndGet();
                return;
            }
            Thread.sleep(pause.toMillis() / 2 + random.nextLong(1 + pause.toMillis()));
            page = sent(HttpRequest.newBuilder(URI.create(form.absUrl("action").isEmpty()
                    ? page.uri().toString()
                    : form.absUrl("action"))).header("Content-Type", "application/x-www-form-urlencoded")
                    .POST(HttpRequest.BodyPublishers.ofString(filled(read, form, random))));
        }
    }

    private HttpResponse<String> sent(HttpRequest.Builder request) throws IOException, InterruptedException {
        long from = System.nanoTime();
        HttpResponse<String> response = client.send(request.timeout(Duration.ofSeconds(60)).build(),
                HttpResponse.BodyHandlers.ofString());
        millis.add(TimeUnit.NANOSECONDS.toMillis(System.nanoTime() - from));
        if (response.statusCode() >= 500) {
            errors.add(response.statusCode() + " " + response.uri().getPath().replaceAll("[0-9a-f]{32}", "…"));
        }
        return response;
    }

    /** The form with an ordinary answer in every field. */
    private static String filled(Document page, Element form, Random random) {
        List<String> fields = new ArrayList<>();
        Map<String, List<Element>> choices = new LinkedHashMap<>();
        for (Element field : form.select("input[name], select[name], textarea[name]")) {
            String type = field.tagName().equals("input") ? field.attr("type") : field.tagName();
            switch (type) {
                case "radio", "checkbox" -> choices.computeIfAbsent(field.attr("name"), n -> new ArrayList<>()).add(field);
                case "hidden" -> fields.add(pair(field.attr("name"), field.attr("value")));
                case "file" -> {}
                case "select" -> {
                    List<Element> options = field.select("option[value]:not([value=''])");
                    fields.add(
                            pair(field.attr("name"), options.isEmpty() ? "" : options.get(random.nextInt(options.size())).attr("value")));
                }
                default -> fields.add(pair(field.attr("name"), field.attr("name").equals("~website") ? "" : text(field, type)));
            }
        }
        choices.forEach((name, all) -> fields.add(pair(name, all.get(random.nextInt(all.size())).attr("value"))));
        Element go = page.selectFirst("button[name='~go'][value=next]");
        if (go != null) {
            fields.add(pair("~go", "next"));
        }
        return String.join("&", fields);
    }

    private static String text(Element field, String type) {
        String value = field.attr("value");
        // Words for “another one” count only beside that option; what is chosen from a long list may be left out.
        if (!value.isEmpty() || field.attr("name").endsWith(".other") || field.hasAttr("list") || field.hasAttr("role")) {
            return value;
        }
        if (field.hasAttr("data-mask")) {
            return field.attr("data-mask").replace('A', 'Q').replace('9', '4').replace('*', '4');
        }
        String mode = field.attr("inputmode");
        return switch (mode.isEmpty() ? type : mode) {
            case "date" -> LocalDate.now().toString();
            case "time" -> "10:30";
            case "email" -> "wenna@example.org";
            case "tel" -> "+44 1632 960961";
            case "numeric", "decimal" -> "2";
            default -> "4417";
        };
    }

    private static String pair(String name, String value) {
        return URLEncoder.encode(name, StandardCharsets.UTF_8) + "=" + URLEncoder.encode(value, StandardCharsets.UTF_8);
    }

    /** Processor time that a process has used, in hundredths of a second. */
    private static long used(String pid) throws IOException {
        String[] stat = Files.readString(Path.of("/proc", pid, "stat")).replaceFirst("^.*\\) ", "").split(" ");
        return Long.parseLong(stat[11]) + Long.parseLong(stat[12]);
    }

    private static double cost(String pid, String address, int times) throws IOException, InterruptedException {
        try (HttpClient client = HttpClient.newHttpClient()) {
            HttpRequest request = HttpRequest.newBuilder(URI.create(address)).build();
            for (int n = 0; n < times / 2; n++) {
                client.send(request, HttpResponse.BodyHandlers.discarding());
            }
            long before = used(pid);
            for (int n = 0; n < times; n++) {
                client.send(request, HttpResponse.BodyHandlers.discarding());
            }
            return 10.0 * (used(pid) - before) / times;
        }
    }

    /** What takes more time to prove than there is, each for a reason of its own. */
    private static final List<String> BOMBS = List.of("a sum of forty numbers", "a product of three large numbers", "a knot of comparisons",
            "lengths of texts in a sum", "a product of eight numbers", "a copy of a copy", "patterns with one another",
            "refusals that need each other", "a sum of two hundred truths", "two hundred claims of one's own");

    private static Figures measured(String server, int people, Duration time, Duration pause, String told) throws InterruptedException {
        Figures figures = new Respondents(server + "/to/found-animal", pause).answer(people, time);
        System.out.printf("%s: %d respondents for %d s, %d requests, %d sent, %d errors; a page: median %d ms, 95th percentile %d ms%n",
                told,
                people, time.toSeconds(), figures.millis().size(), figures.sent(), figures.errors().size(), figures.percentile(50),
                figures.percentile(95));
        figures.errors().stream().limit(10).forEach(System.out::println);
        return figures;
    }

    /** @param args address of the server, its process number, people, seconds, seconds that a page is read */
    public static void main(String[] args) throws Exception {
        String server = args[0];
        int people = args.length > 2 ? Integer.parseInt(args[2]) : 200;
        Duration time = Duration.ofSeconds(args.length > 3 ? Integer.parseInt(args[3]) : 300);
        Duration pause = Duration.ofSeconds(args.length > 4 ? Integer.parseInt(args[4]) : 5);
        measured(server, people, Duration.ofSeconds(20), pause, "while the server warms up");
        double bare = cost(args[1], server + "/login", 2000);
        HttpClient client = HttpClient.newBuilder().followRedirects(HttpClient.Redirect.ALWAYS).build();
        HttpResponse<String> begun = client.send(HttpRequest.newBuilder(URI.create(server + "/to/found-animal"))
                .POST(HttpRequest.BodyPublishers.noBody()).build(), HttpResponse.BodyHandlers.ofString());
        double page = cost(args[1], begun.uri().toString(), 2000);
        System.out.printf("processor time: a page %.2f ms, the sign-in page %.2f ms, ratio %.2f%n", page, bare, page / bare);
        BusyAnalyst analyst = new BusyAnalyst(server).signIn();
        Thread writing = Thread.ofPlatform().daemon().start(analyst::write);
        Figures before = measured(server, people, time, pause, "while an analyst edits");
        List<String> bombs = new ArrayList<>();
        for (String bomb : BOMBS) {
            bombs.add(analyst.open(Bombs.all().get(bomb)));
        }
        Figures beside = measured(server, people, time, pause, "while " + bombs.size() + " bombs are proved too");
        int going = 0;
        for (String bomb : bombs) {
            going += analyst.isUnderWay(bomb) ? 1 : 0;
        }
        System.out.printf("95th percentile beside the bombs, to that without: %.2f; %d of them are still being proved%n",
                (double) beside.percentile(95) / Math.max(1, before.percentile(95)), going);
        writing.interrupt();
        System.out.printf("the analyst wrote %d rows and met %d errors%n", analyst.rows(), analyst.errors().size());
        analyst.errors().stream().limit(10).forEach(System.out::println);
    }
}

package orthogon.app.web;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.request;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import java.io.IOException;
import java.nio.file.Path;
import orthogon.app.demo.MadeDemo;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.core.MethodParameter;
import org.springframework.http.HttpMethod;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.AbstractMockHttpServletRequestBuilder;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.method.RequestMappingInfo;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/** Whatever is sent to whatever address: it is answered, and never by an error of the server's own. */
@SpringBootTest(properties = "orthogon.demo=true")
@AutoConfigureMockMvc
class ForgedRequestsTest {

    @DynamicPropertySource
    static void withDemo(DynamicPropertyRegistry properties) throws IOException {
        Path data = MadeDemo.copy();
        properties.add("orthogon.data", data::toString);
    }

    private static final int ROUNDS = Integer.getInteger("orthogon.forged", 6);
    private static final String[] ODD = {"", " ", "-1", "0", "1", "99999", "2147483648", "x", "true", "null", "found_animal", "species",
            "outcomeTable/99", "a.b.c", "#", "/", "..", "%00", "\u0000", "<script>", "'", "\"", "{", "{x", "(", "[", "=", "not(", "if",
            "1/0", "\uD800", "😀", "ا", "2026-13-45", "up", "down", "add", "line:9", "group:0", "drop:77", "to:p", "speak:xx", "\n\n"};

    @Autowired
    private MockMvc web;
    @Autowired
    @Qualifier("requestMappingHandlerMapping")
    private RequestMappingHandlerMapping mappings;

    private final Random random = new Random(Long.getLong("orthogon.seed", 16));

    private String odd() {
        return switch (random.nextInt(12)) {
            case 0 -> "x".repeat(5_000);
            case 1 -> "é(".repeat(300);
            default -> ODD[random.nextInt(ODD.length)];
        };
    }

    @Test
    void nothingThatIsSentIsAnErrorOfTheServer() throws Exception {
        Set<String> failed = new TreeSet<>();
        int sent = 0;
        // The map's own order differs from run to run; in order, a seed stands for the same requests everywhere.
        var ordered = mappings.getHandlerMethods().entrySet().stream().sorted(Comparator.comparing(m -> m.getKey().toString())).toList();
        for (var mapping : ordered) {
            for (String pattern : mapping.getKey().getPatternValues()) {
                boolean skipped = pattern.endsWith("/live") && pattern.startsWith("/q/") || pattern.startsWith("/error")
                        || pattern.contains("/sessions/");
                for (int round = 0; round < ROUNDS && !skipped; round++) {
                    sent++;
                    String told = told(mapping.getKey(), mapping.getValue(), pattern);
                    if (!told.isEmpty()) {
                        failed.add(told);
                    }
                }
            }
        }
        assertEquals("", String.join("\n", failed));
        assertTrue(sent > 100 * ROUNDS / 2, sent + " requests");
    }

    /** What went wrong; empty where nothing did. */
    private String told(RequestMappingInfo info, HandlerMethod handler, String pattern) throws Exception {
        boolean post = info.getMethodsCondition().getMethods().contains(RequestMethod.POST);
        String path = pattern.replace("{code}", random.nextInt(4) == 0 ? "nowhere" : "found_animal");
        while (path.contains("{")) {
            String value = ODD[3 + random.nextInt(8)];
            path = path.replaceFirst("\\{[^/}]*(\\{[^}]*})?[^/}]*}", value.isBlank() ? "x" : value);
        }
        boolean withFile = List.of(handler.getMethodParameters()).stream()
                .anyMatch(p -> MultipartFile.class.isAssignableFrom(p.getParameterType()));
        AbstractMockHttpServletRequestBuilder<?> built = withFile
                ? multipart(path).file(new MockMultipartFile("file", "odd.json", "application/json", odd().getBytes()))
                : request(post ? HttpMethod.POST : HttpMethod.GET, path);
        StringBuilder words = new StringBuilder((post ? "POST " : "GET ") + pattern + " as " + path);
        for (String name : parameters(handler)) {
            String value = name.equals("revision") && random.nextInt(3) > 0 ? "1" : odd();
            if (random.nextInt(5) > 0) {
                built = built.param(name, value);
                words.append(' ').append(name).append('=').append(value.length() > 40 ? value.length() + " signs" : value);
            }
        }
        if (random.nextBoolean()) {
            built = built.header("HX-Request", "true");
        }
        int status = web.perform(built.with(user("ines")).with(csrf())).andReturn().getResponse().getStatus();
        return status >= 500 && status != 503 ? status + " " + words : "";
    }

    private static Set<String> parameters(HandlerMethod handler) {
        List<String> names = new ArrayList<>();
        for (MethodParameter parameter : handler.getMethodParameters()) {
            RequestParam asked = parameter.getParameterAnnotation(RequestParam.class);
            if (asked != null) {
                String name = asked.name().isEmpty() ? parameter.getParameter().getName() : asked.name();
                names.add(name);
            }
        }
        names.addAll(
                List.of("wording", "askWhen", "answer", "options", "~page", "~go", "act", "subject0", "comparison0", "value0", "lang"));
        return new LinkedHashSet<>(names);
    }
}

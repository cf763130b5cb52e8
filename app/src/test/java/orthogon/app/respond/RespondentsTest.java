package orthogon.app.respond;

import orthogon.app.demo.DemoPeople;
import orthogon.app.store.AttachmentStore;
import orthogon.app.store.DraftStore;
import orthogon.app.store.InterviewStore;
import orthogon.app.store.InterviewStore.Running;
import orthogon.app.store.InvitationStore;
import orthogon.app.store.KnownReleases;
import orthogon.app.store.ReleaseStore;
import orthogon.app.store.ReleaseStore.Release;
import orthogon.app.work.KeepAnswers;
import orthogon.core.answer.file.FileAnswer;
import orthogon.core.answer.text.TextAnswer;
import orthogon.core.interview.Interview;
import orthogon.core.questionnaire.Page;
import orthogon.core.questionnaire.Question;
import orthogon.core.questionnaire.Questionnaire;
import static org.hamcrest.Matchers.containsString;
import static org.hamcrest.Matchers.not;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.head;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.header;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.MockMvc;

/** What respondents, and whoever pretends to be one, can do to each other, to strangers and to the disk. */
@SpringBootTest(properties = {"orthogon.demo=false", "spring.datasource.url=jdbc:h2:mem:respondents",
        "orthogon.pace.upload-by-client.most=40"})
@AutoConfigureMockMvc
class RespondentsTest {

    private static final byte[] PICTURE = java.util.Base64.getDecoder()
            .decode("iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNkYPhfDwAChwGA60e6kgAAAABJRU5ErkJggg==");

    @Autowired
    private MockMvc web;
    @Autowired
    private DemoPeople people;
    @Autowired
    private DraftStore drafts;
    @Autowired
    private ReleaseStore releases;

    @Autowired
    private KnownReleases knownReleases;
    @Autowired
    private InterviewStore interviews;
    @Autowired
    private InvitationStore ways;
    @Autowired
    private AttachmentStore attachments;
    @Autowired
    private KeepAnswers keeping;
    @Autowired
    private JdbcClient jdbc;

    private Release release;

    @BeforeEach
    void begin() {
        people.come();
        String code = "roost";
        if (!drafts.exists(code)) {
            Question photo = Question.of("photo", "A photo?", new FileAnswer(2, 1000, List.of("image/*")));
            Questionnaire document = Questionnaire.blank(code, "Roost").withPages(List.of(
                    Page.empty("a", "First").withItems(List.of(Question.of("wing", "Wing?", new TextAnswer(false, null, 40)), photo,
                            Question.of("must", "Must?", new TextAnswer(false, null, 40)).withRequireWhen("true"))),
                    Page.empty("b", "Second").withItems(List.of(Question.of("leg", "Leg?", new TextAnswer(false, null, 40)))),
                    Page.empty("c", "Third").withItems(List.of(Question.of("tail", "Tail?", new TextAnswer(false, null, 40))))))
                    .withLinkParameters(List.of(new Questionnaire.LinkParameter("station", List.of())));
            releases.create(drafts.create(document, "ines", "began"),
                    new ReleaseStore.Made("{}", "", "ines", List.of("en"), List.of(), "", OffsetDateTime.now()));
        }
        release = knownReleases.of(drafts.head(code).orElseThrow().id()).getFirst();
    }

    private String begun() {
        return interviews.begin(release, Interview.start(release.wiring(), LocalDate.now(), Map.of()), OffsetDateTime.now()).id();
    }

    private Object raw(String id, String slot) {
        return interviews.find(id).orElseThrow().interview().raw().get(slot);
    }

    /** Both have read the interview; the first has kept it before the second does. */
    @Test
    void ofTwoWindowsThatSendAtTheSameMomentNeitherWritesOverTheOther() {
        String id = begun();
        Running one = interviews.find(id).orElseThrow();
        Running two = interviews.find(id).orElseThrow();
        assertTrue(interviews.keep(one, one.interview().keep(Map.of("wing", "torn")), Optional.empty()));
        assertTrue(!interviews.keep(two, two.interview().keep(Map.of("wing", "whole")), Optional.empty()));
        assertEquals("torn", raw(id, "wing"));
    }

    @Test
    void manyWindowsAtOnceAreEachToldTheTruth() throws Exception {
        String id = begun();
        List<Integer> told = IntStream.range(0, 12).parallel().mapToObj(n -> {
            try {
                return web.perform(post("/i/" + id).param("~page", "a").param("~shown", "wing").param("~shown", "must")
                        .param("wing", "wing " + n).param("must", "x")).andReturn().getResponse().getStatus();
            } catch (Exception e) {
                throw new IllegalStateException(e);
            }
        }).toList();
        assertTrue(told.stream().allMatch(s -> s == 302 || s == 409), told.toString());
        assertTrue(told.contains(302), told.toString());
        assertTrue(String.valueOf(raw(id, "wing")).startsWith("wing "), String.valueOf(raw(id, "wing")));
    }

    @Test
    void filesOfARefusedPageAreBoundedAndForgotten() throws Exception {
        String id = begun();
        for (int n = 0; n < 25; n++) {
            web.perform(multipart("/i/" + id).file(new MockMultipartFile("photo", "p" + n + ".png", "image/png", PICTURE))
                    .file(new MockMultipartFile("photo", "big.png", "image/png", new byte[5000]))
                    .param("~page", "a").param("~shown", "photo").param("~shown", "must").param("must", ""));
        }
        AttachmentStore.HeldFiles held = attachments.held(id);
        assertTrue(held.files() <= Received.MOST_FILES && held.bytes() <= 60L * PICTURE.length, held.toString());
        assertEquals(0, keeping.forgetRefused(OffsetDateTime.now().minusHours(1)));
        assertEquals(1, keeping.forgetRefused(OffsetDateTime.now().plusMinutes(1)));
        assertEquals(0, attachments.held(id).files());
        assertTrue(!String.valueOf(raw(id, "photo")).contains("image/png"), "what was never stored may stay, to be told again");
    }

    @Test
    void oneClientSendsOnlySoManyFilesInAnHour() throws Exception {
        for (int n = 0; n <= 40; n++) {
            String id = begun();
            web.perform(multipart("/i/" + id).file(new MockMultipartFile("photo", "p.png", "image/png", PICTURE)).param("~page", "a")
                    .param("~shown", "photo").param("~shown", "must").param("must", "x").with(r -> {
                        r.setRemoteAddr("203.0.113.77");
                        return r;
                    })).andExpect(status().is(n < 40 ? 302 : 429)).andExpect(content().string(containsString(n < 40 ? "" : "value=\"x\"")));
            assertEquals(n < 40 ? 1 : 0, attachments.held(id).files());
        }
    }

    @Test
    void aFileThatIsRemovedOrReplacedGoes() throws Exception {
        String id = begun();
        web.perform(multipart("/i/" + id).file(new MockMultipartFile("photo", "p.png", "image/png", PICTURE)).param("~page", "a")
                .param("~shown", "photo").param("~shown", "must").param("must", "x")).andExpect(status().is3xxRedirection());
        assertEquals(1, attachments.held(id).files());
        assertEquals(0, keeping.forgetRefused(OffsetDateTime.now().plusMinutes(1)), "the page was accepted");
        String key = jdbc.sql("select file_key from attachment where interview_id = :id").param("id", id).query(String.class).single();
        web.perform(post("/i/" + id).param("~page", "a").param("~shown", "photo").param("~shown", "must").param("must", "x")
                .param("photo~remove", key)).andExpect(status().is3xxRedirection());
        assertEquals(0, attachments.held(id).files());
    }

    @Test
    void nobodyHasManyMessagesSentToAStranger() throws Exception {
        int sent = 0;
        for (int n = 0; n < 20; n++) {
            sent += web.perform(post("/i/" + begun() + "/later").param("email", "stranger@example.org").with(r -> {
                r.setRemoteAddr("198.51.100.7");
                return r;
            })).andReturn().getResponse().getStatus() == 200 ? 1 : 0;
        }
        assertEquals(5, sent);
        assertEquals(5, jdbc.sql("select count(*) from message where sent_to = 'stranger@example.org'").query(Integer.class).single());
    }

    @Test
    void linksInMessagesLeadToThisServerWhateverTheRequestSays() throws Exception {
        web.perform(post("/i/" + begun() + "/later").param("email", "wenna@example.org").header("Host", "evil.example.net")
                .header("X-Forwarded-Host", "evil.example.net")).andExpect(status().isOk());
        String text = jdbc.sql("select text from message where sent_to = 'wenna@example.org'").query(String.class).single();
        assertTrue(text.contains("http://localhost") && !text.contains("evil"), text);
    }

    @Test
    void aWayBackEnds() throws Exception {
        String token = ways.wayBack(begun());
        web.perform(get("/to/resume/" + token)).andExpect(status().is3xxRedirection());
        jdbc.sql("update way_back set made_at = dateadd(day, -31, made_at) where token = :t").param("t", token).update();
        web.perform(get("/to/resume/" + token)).andExpect(status().isNotFound());
    }

    @Test
    void whatIsOddInAnAddressOrAHeadIsNoErrorOfTheServer() throws Exception {
        web.perform(get("/to/roost").param("station", "x".repeat(500))).andExpect(status().isOk());
        web.perform(get("/to/roost").param("station", "x".repeat(501))).andExpect(status().isBadRequest())
                .andExpect(content().string(containsString("<h1>There is no questionnaire at this address</h1>")))
                .andExpect(content().string(containsString("too long to be right")));
        web.perform(post("/to/roost").param("station", "x".repeat(5000))).andExpect(status().isBadRequest());
        web.perform(get("/to/roost").param("other", "x".repeat(5000))).andExpect(status().isOk());
        String languages = String.join(",", IntStream.range(0, 1000).mapToObj(i -> "x" + (char) ('a' + i % 26) + ";q=0.5").toList());
        for (String path : new String[]{"/to/roost", "/login", "/to/nowhere"}) {
            int status = web.perform(get(path).header("Accept-Language", languages)).andReturn().getResponse().getStatus();
            assertTrue(status < 500, path + " " + status);
        }
    }

    @Test
    void aLookAtTheWelcomePageMakesNoSessionAndHeadIsAsGet() throws Exception {
        web.perform(get("/to/roost")).andExpect(status().isOk()).andExpect(header().doesNotExist("Set-Cookie"))
                .andExpect(header().string("Content-Security-Policy", containsString("base-uri 'self'; object-src 'none'")))
                .andExpect(header().string("Referrer-Policy", "same-origin"))
                .andExpect(result -> assertNull(result.getRequest().getSession(false)));
        web.perform(head("/to/roost")).andExpect(status().isOk());
        web.perform(head("/login")).andExpect(status().isOk());
        web.perform(get("/i/" + begun())).andExpect(status().isOk()).andExpect(content().string(not(containsString("_csrf"))));
    }
}

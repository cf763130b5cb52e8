package orthogon.app.doors;

import static org.hamcrest.Matchers.containsString;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.redirectedUrl;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.io.IOException;
import java.net.URI;
import java.net.URLDecoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.util.List;
import orthogon.app.account.People;
import orthogon.app.account.SecondFactor;
import orthogon.app.command.IdentityStandIn;
import orthogon.app.command.IdentityStandIn.Account;
import orthogon.app.demo.DemoPeople;
import orthogon.app.store.AuditStore;
import orthogon.app.store.PersonStore;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.mock.web.MockHttpSession;
import org.springframework.test.context.ActiveProfiles;
import org.springframework.test.context.DynamicPropertyRegistry;
import org.springframework.test.context.DynamicPropertySource;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.MvcResult;
import org.springframework.web.util.UriComponentsBuilder;

/** People come through an identity service, from the button on the sign-in page to the Desk. */
@SpringBootTest(properties = {"orthogon.demo=false", "spring.datasource.url=jdbc:h2:mem:identity",
        "orthogon.public-address=https://forms.quillmere.example"})
@ActiveProfiles("identity-stand-in")
@AutoConfigureMockMvc
class IdentityServicesTest {

    private static final IdentityStandIn SERVICE = service();

    @Autowired
    private MockMvc web;
    @Autowired
    private DemoPeople demo;
    @Autowired
    private PersonStore store;
    @Autowired
    private People people;
    @Autowired
    private AuditStore audit;
    @Autowired
    private SecondFactor secondFactor;

    private static IdentityStandIn service() {
        try {
            return new IdentityStandIn(0, List.of(new Account("7", "Ines Tallow", "INES@example.org"),
                    new Account("8", "Jory Penhale", "jory@example.org"), new Account("9", "Pell Roe", "pell@example.org"),
                    new Account("10", "Somebody else with the address of Ines", "ines@example.org"),
                    new Account("11", "Osk Verrin", "osk@example.org")));
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    @DynamicPropertySource
    static void address(DynamicPropertyRegistry settings) {
        settings.add("orthogon.identity", SERVICE::issuer);
    }

    @AfterAll
    static void close() {
        SERVICE.close();
    }

    @BeforeEach
    void come() {
        demo.come();
        store.all().forEach(p -> {
            store.setIdentity(p.name(), "");
            store.disable(p.name(), false);
        });
        secondFactor.demand(false);
        people.changed();
    }

    /** Goes through the service as a browser does, and says who one is there; what comes of it here. */
    private MvcResult through(String subject, MockHttpSession session) throws Exception {
        String there = web.perform(get("/oauth2/authorization/station").session(session).header("Host", "stranger.example"))
                .andReturn().getResponse().getRedirectedUrl();
        assertTrue(there.startsWith(SERVICE.issuer() + "/authorize?"), there);
        assertTrue(there.contains("redirect_uri=https://forms.quillmere.example/login/oauth2/code/station"), there);
        assertTrue(there.contains("code_challenge_method=S256"), there);
        try (HttpClient browser = HttpClient.newHttpClient()) {
            String page = browser.send(HttpRequest.newBuilder(URI.create(there)).build(), BodyHandlers.ofString()).body();
            assertTrue(page.contains("Jory Penhale"), page);
            String form = URI.create(there).getRawQuery() + "&account=" + subject;
            String back = browser.send(HttpRequest.newBuilder(URI.create(SERVICE.issuer() + "/authorize"))
                    .POST(HttpRequest.BodyPublishers.ofString(form)).build(), BodyHandlers.ofString()).headers().firstValue("Location")
                    .orElseThrow();
            var parameters = UriComponentsBuilder.fromUriString(back).build().getQueryParams();
            var request = get("/login/oauth2/code/station").session(session);
            parameters.forEach((name, values) -> request.param(name,
                    URLDecoder.decode(values.getFirst(), StandardCharsets.UTF_8)));
            return web.perform(request).andReturn();
        }
    }

    private String comesTo(String subject) throws Exception {
        return through(subject, new MockHttpSession()).getResponse().getRedirectedUrl();
    }

    private List<String> trail(int lines) {
        return audit.newest(lines).stream().map(l -> l.author() + ": " + l.did()).toList();
    }

    @Test
    void whoTheServiceVouchesForIsLetIn() throws Exception {
        web.perform(get("/login")).andExpect(content().string(containsString("Sign in through the station&#39;s identity service")));
        MockHttpSession session = new MockHttpSession();
        MvcResult back = through("8", session);
        assertEquals("/", back.getResponse().getRedirectedUrl());
        MockHttpSession signedIn = (MockHttpSession) back.getRequest().getSession();
        web.perform(get("/me").session(signedIn)).andExpect(status().isOk()).andExpect(content().string(containsString("Jory Penhale")));
        web.perform(get("/people").session(signedIn)).andExpect(status().isForbidden());
        assertEquals(List.of("jory: signed in through station from 127.0.0.1"), trail(1));
        assertEquals(SERVICE.issuer() + " 8",
                store.all().stream().filter(p -> p.name().equals("jory")).findFirst().orElseThrow().identity());
    }

    @Test
    void aStrangerStaysOutAndTheTrailSaysSo() throws Exception {
        assertEquals("/login?stranger", comesTo("9"));
        assertEquals(List.of(": a sign-in through station failed: nobody here is the account “9”, from 127.0.0.1"), trail(1));
        web.perform(get("/login").param("stranger", "")).andExpect(content().string(containsString("nobody here has your email address")));
        store.disable("osk", true);
        people.changed();
        assertEquals("/login?stranger", comesTo("11"));
    }

    @Test
    void anAddressThatPassesToAnotherAccountOpensNothing() throws Exception {
        assertEquals("/", comesTo("7"));
        assertEquals("/login?stranger", comesTo("10"));
        assertEquals("/", comesTo("7"));
        web.perform(post("/people/ines/identity").with(user("ines")).with(csrf())).andExpect(redirectedUrl("/people/ines"));
        assertEquals(List.of("ines: unlinked “ines” from the identity service"), trail(1));
        assertEquals("/", comesTo("10"));
    }

    @Test
    void aSecondFactorIsTheServicesConcern() throws Exception {
        secondFactor.demand(true);
        MvcResult back = through("8", new MockHttpSession());
        web.perform(get("/").session((MockHttpSession) back.getRequest().getSession())).andExpect(status().isOk());
        web.perform(get("/").with(user("jory"))).andExpect(redirectedUrl("/me"));
    }

    @Test
    void whatTheServiceDoesNotConfirmIsRefused() throws Exception {
        assertEquals("/login?service", comesTo(""));
        MockHttpSession session = new MockHttpSession();
        web.perform(get("/oauth2/authorization/station").session(session));
        web.perform(get("/login/oauth2/code/station").session(session).param("code", "guessed").param("state", "guessed"))
                .andExpect(redirectedUrl("/login?service"));
        web.perform(get("/login/oauth2/code/station").param("code", "guessed")).andExpect(redirectedUrl("/login?service"));
        web.perform(get("/oauth2/authorization/nowhere")).andExpect(redirectedUrl("/login?service"));
        web.perform(get("/login").param("service", "")).andExpect(content().string(containsString("did not answer as it should")));
    }
}

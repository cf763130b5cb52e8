package orthogon.app.doors;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.redirectedUrl;

import orthogon.app.demo.DemoPeople;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.test.context.ActiveProfiles;
import org.springframework.test.web.servlet.MockMvc;

/** An identity service that does not answer keeps neither the server from starting nor anybody from signing in by password. */
@SpringBootTest(properties = {"orthogon.demo=false", "spring.datasource.url=jdbc:h2:mem:unreachable",
        "orthogon.identity=http://localhost:9"})
@ActiveProfiles("identity-stand-in")
@AutoConfigureMockMvc
class UnreachableIdentityServiceTest {

    @Autowired
    private MockMvc web;
    @Autowired
    private DemoPeople demo;

    @Test
    void passwordsWorkMeanwhile() throws Exception {
        demo.come();
        web.perform(get("/oauth2/authorization/station")).andExpect(redirectedUrl("/login?service"));
        web.perform(post("/login").param("username", "jory").param("password", "quillmere").with(csrf())).andExpect(redirectedUrl("/"));
    }
}

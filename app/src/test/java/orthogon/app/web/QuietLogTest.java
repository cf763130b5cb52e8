package orthogon.app.web;

import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import orthogon.app.demo.DemoPeople;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.system.CapturedOutput;
import org.springframework.boot.test.system.OutputCaptureExtension;
import org.springframework.boot.webmvc.test.autoconfigure.AutoConfigureMockMvc;
import org.springframework.test.web.servlet.MockMvc;

/** Nothing that somebody sends stands in the log. */
@SpringBootTest(properties = {"orthogon.demo=false", "spring.datasource.url=jdbc:h2:mem:quiet"})
@AutoConfigureMockMvc
@ExtendWith(OutputCaptureExtension.class)
class QuietLogTest {

    @Autowired
    private MockMvc web;
    @Autowired
    private DemoPeople people;

    @Test
    void whatIsRefusedIsNotQuoted(CapturedOutput log) throws Exception {
        people.come();
        web.perform(post("/new").param("title", "Fen").with(user("ines")).with(csrf())).andExpect(status().is3xxRedirection());
        web.perform(get("/q/fen/live").param("shown", "wenna@example.org").with(user("ines"))).andExpect(status().isBadRequest());
        web.perform(post("/q/fen/compose/add").param("revision", "wenna@example.org").param("line", "x").with(user("ines")).with(csrf()))
                .andExpect(status().isBadRequest());
        web.perform(post("/q/fen/compose/add").param("line", "wenna@example.org").with(user("ines")).with(csrf()))
                .andExpect(status().isBadRequest());
        web.perform(get("/i/wenna@example.org")).andExpect(status().isNotFound());
        assertFalse(log.getAll().contains("wenna"), log.getAll());
    }
}

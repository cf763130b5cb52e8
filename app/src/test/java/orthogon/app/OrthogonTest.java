package orthogon.app;

import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.junit.jupiter.api.Test;

class OrthogonTest {

    @Test
    void onlyServeAndItsSettingsStartTheApplication() {
        assertTrue(Orthogon.starts());
        assertTrue(Orthogon.starts("serve", "--orthogon.port=9000"));
        assertTrue(Orthogon.starts("--orthogon.port=9000"));
        assertFalse(Orthogon.starts("prove", "file.json"));
        assertFalse(Orthogon.starts("--help"));
        assertFalse(Orthogon.starts("serve", "-h"));
    }
}

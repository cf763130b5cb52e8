package orthogon.app.browser;

import jakarta.servlet.Filter;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletRequest;
import jakarta.servlet.ServletResponse;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.util.concurrent.ThreadLocalRandom;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;

/** Holds back every answer to a sheet for a random time, so that answers come late and in any order. */
@Component
@ConditionalOnProperty("orthogon.test-delay")
class Delays implements Filter {

    private static final int LONGEST_MILLIS = 120;

    @Override
    public void doFilter(ServletRequest request, ServletResponse response, FilterChain chain) throws IOException, ServletException {
        chain.doFilter(request, response);
        if (((HttpServletRequest) request).getRequestURI().contains("/compose")) {
            try {
                Thread.sleep(ThreadLocalRandom.current().nextInt(LONGEST_MILLIS));
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
        }
    }
}

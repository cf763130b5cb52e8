package orthogon.app.http;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.concurrent.atomic.AtomicInteger;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** How many respondents wait for a page at this moment, so that work which has no end in sight can give way. */
@Component
@Order(-200)
public class InFlight extends OncePerRequestFilter {

    private final AtomicInteger waiting = new AtomicInteger();

    /** Requests of respondents that are being answered. */
    public int now() {
        return waiting.get();
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        String path = request.getRequestURI();
        return !path.startsWith("/i/") && !path.startsWith("/to/");
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        waiting.incrementAndGet();
        try {
            chain.doFilter(request, response);
        } finally {
            waiting.decrementAndGet();
        }
    }
}

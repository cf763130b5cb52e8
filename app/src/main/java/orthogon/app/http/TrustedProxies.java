package orthogon.app.http;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Arrays;
import java.util.List;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.security.web.util.matcher.IpAddressMatcher;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Who sends a request that a proxy hands on, and whether they sent it encrypted. Only what proxies say that the setting names is believed;
 * of a chain, the last client that is none of them.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class TrustedProxies extends OncePerRequestFilter {

    private final List<IpAddressMatcher> trusted;

    /** @param proxies addresses or ranges such as {@code 10.0.0.5, 192.168.0.0/16}; empty for none */
    TrustedProxies(@Value("${orthogon.trusted-proxies:}") String proxies) {
        trusted = Arrays.stream(proxies.split(",")).map(String::strip).filter(p -> !p.isEmpty()).map(IpAddressMatcher::new).toList();
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        chain.doFilter(isTrusted(request.getRemoteAddr()) ? new HandedOn(request) : request, response);
    }

    private boolean isTrusted(String address) {
        return trusted.stream().anyMatch(t -> t.matches(address));
    }

    private final class HandedOn extends HttpServletRequestWrapper {

        private final String client;
        private final boolean secure;

        HandedOn(HttpServletRequest request) {
            super(request);
            String header = request.getHeader("X-Forwarded-For");
            List<String> chain = header == null ? List.of() : Arrays.stream(header.split(",")).map(String::strip).toList();
            client = chain.reversed().stream().filter(a -> a.matches("[0-9a-fA-F.:]{2,45}")).filter(a -> !isTrusted(a)).findFirst()
                    .orElse(request.getRemoteAddr());
            secure = request.isSecure() || "https".equalsIgnoreCase(request.getHeader("X-Forwarded-Proto"));
        }

        @Override
        public String getRemoteAddr() {
            return client;
        }

        @Override
        public String getRemoteHost() {
            return client;
        }

        @Override
        public boolean isSecure() {
            return secure;
        }

        @Override
        public String getScheme() {
            return secure ? "https" : super.getScheme();
        }
    }
}

package orthogon.app.http;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Map;
import orthogon.core.language.CleanText;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** Leaves out of everything that is typed what no page, paper or table can hold. */
@Component
@Order(-150)
class CleanParameters extends OncePerRequestFilter {

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        chain.doFilter(new Cleaned(request), response);
    }

    private static final class Cleaned extends HttpServletRequestWrapper {

        Cleaned(HttpServletRequest request) {
            super(request);
        }

        @Override
        public String getParameter(String name) {
            String value = super.getParameter(name);
            return value == null ? null : CleanText.of(value);
        }

        @Override
        public String[] getParameterValues(String name) {
            String[] values = super.getParameterValues(name);
            return values == null ? null : cleaned(values);
        }

        @Override
        public Map<String, String[]> getParameterMap() {
            Map<String, String[]> all = new LinkedHashMap<>();
            super.getParameterMap().forEach((name, values) -> all.put(name, cleaned(values)));
            return all;
        }

        private static String[] cleaned(String[] values) {
            return Arrays.stream(values).map(CleanText::of).toArray(String[]::new);
        }
    }
}

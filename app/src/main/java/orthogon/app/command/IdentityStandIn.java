package orthogon.app.command;

import com.nimbusds.jose.JOSEException;
import com.nimbusds.jose.JWSAlgorithm;
import com.nimbusds.jose.JWSHeader;
import com.nimbusds.jose.crypto.RSASSASigner;
import com.nimbusds.jose.jwk.JWKSet;
import com.nimbusds.jose.jwk.RSAKey;
import com.nimbusds.jose.jwk.gen.RSAKeyGenerator;
import com.nimbusds.jwt.JWTClaimsSet;
import com.nimbusds.jwt.SignedJWT;
import com.nimbusds.oauth2.sdk.pkce.CodeChallenge;
import com.nimbusds.oauth2.sdk.pkce.CodeChallengeMethod;
import com.nimbusds.oauth2.sdk.pkce.CodeVerifier;
import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.URI;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.Date;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.web.util.UriComponentsBuilder;
import org.thymeleaf.spring6.SpringTemplateEngine;
import org.thymeleaf.context.Context;
import org.thymeleaf.templateresolver.ClassLoaderTemplateResolver;
import tools.jackson.databind.json.JsonMapper;

/**
 * An identity service for trying (OpenID Connect Core 1.0, code flow with PKCE): it takes everybody's word for who they are. Serves this
 * machine alone, and forgets everything when it ends.
 */
public final class IdentityStandIn implements AutoCloseable {

    /** @param email verified, as far as this service is concerned */
    public record Account(String subject, String name, String email) {}

    private static final int LONGEST_FORM = 20_000;
    private static final Duration GOOD = Duration.ofMinutes(5);
    private static final JsonMapper JSON = JsonMapper.shared();

    /** A sign-in that succeeded here and whose code was not redeemed yet. */
    private record Begun(Account account, Map<String, String> asked) {}

    private final HttpServer server;
    private final List<Account> accounts;
    private final RSAKey key;
    private final SpringTemplateEngine pages = new SpringTemplateEngine();
    private final Map<String, Begun> codes = new ConcurrentHashMap<>();
    private final Map<String, Account> tokens = new ConcurrentHashMap<>();

    /**
     * @param port 0 for any that is free
     * @throws IOException where the port is taken
     */
    public IdentityStandIn(int port, List<Account> accounts) throws IOException {
        this.accounts = List.copyOf(accounts);
        try {
            key = new RSAKeyGenerator(2048).keyID(UUID.randomUUID().toString()).generate();
        } catch (JOSEException e) {
            throw new IllegalStateException(e);
        }
        ClassLoaderTemplateResolver templates = new ClassLoaderTemplateResolver();
        templates.setPrefix("templates/");
        templates.setSuffix(".html");
        pages.setTemplateResolver(templates);
        server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), port), 0);
        server.createContext("/", this::answer);
        server.start();
    }

    /** The service's address, which is also its name. */
    public String issuer() {
        return "http://localhost:" + server.getAddress().getPort();
    }

    @Override
    public void close() {
        server.stop(0);
    }

    private void answer(HttpExchange exchange) throws IOException {
        try (exchange) {
            String path = exchange.getRequestMethod() + " " + exchange.getRequestURI().getPath();
            switch (path) {
                case "GET /.well-known/openid-configuration" -> json(exchange, 200, about());
                case "GET /jwks" -> json(exchange, 200, new JWKSet(key.toPublicJWK()).toJSONObject());
                case "GET /authorize" -> choose(exchange, parameters(exchange.getRequestURI().getRawQuery()));
                case "POST /authorize" -> chosen(exchange, form(exchange));
                case "POST /token" -> token(exchange, form(exchange));
                case "GET /userinfo" -> userinfo(exchange);
                default -> json(exchange, 404, Map.of("error", "not_found"));
            }
        } catch (JOSEException e) {
            throw new IllegalStateException(e);
        }
    }

    private Map<String, Object> about() {
        return Map.of("issuer", issuer(), "authorization_endpoint", issuer() + "/authorize", "token_endpoint", issuer() + "/token",
                "jwks_uri", issuer() + "/jwks", "userinfo_endpoint", issuer() + "/userinfo", "response_types_supported", List.of("code"),
                "subject_types_supported", List.of("public"), "id_token_signing_alg_values_supported", List.of("RS256"),
                "code_challenge_methods_supported", List.of("S256"), "scopes_supported", List.of("openid", "profile", "email"));
    }

    private void choose(HttpExchange exchange, Map<String, String> asked) throws IOException {
        Context context = new Context(Locale.ENGLISH, Map.of("accounts", accounts, "asked", asked));
        send(exchange, 200, "text/html;charset=UTF-8", pages.process("identity", context));
    }

    private void chosen(HttpExchange exchange, Map<String, String> form) throws IOException {
        Account account = accounts.stream().filter(a -> a.subject().equals(form.get("account"))).findFirst().orElse(null);
        URI back = URI.create(form.getOrDefault("redirect_uri", ""));
        if (!List.of("http", "https").contains(String.valueOf(back.getScheme()))) {
            json(exchange, 400, Map.of("error", "invalid_request"));
            return;
        }
        UriComponentsBuilder to = UriComponentsBuilder.fromUri(back).queryParam("state", "{state}");
        if (account == null) {
            to.queryParam("error", "access_denied");
        } else {
            String code = UUID.randomUUID().toString();
            codes.put(code, new Begun(account, form));
            to.queryParam("code", code);
        }
        exchange.getResponseHeaders().set("Location", to.encode().build(form.getOrDefault("state", "")).toString());
        exchange.sendResponseHeaders(302, -1);
    }

    /** Gives the tokens for a code, once, to whoever began the sign-in. */
    private void token(HttpExchange exchange, Map<String, String> form) throws IOException, JOSEException {
        Begun begun = codes.remove(form.getOrDefault("code", ""));
        if (begun == null || !hasVerifier(begun.asked(), form.get("code_verifier"))) {
            json(exchange, 400, Map.of("error", "invalid_grant"));
            return;
        }
        Instant now = Instant.now();
        JWTClaimsSet.Builder claims = new JWTClaimsSet.Builder().issuer(issuer()).subject(begun.account().subject())
                .audience(begun.asked().get("client_id")).issueTime(Date.from(now)).expirationTime(Date.from(now.plus(GOOD)))
                .claim("nonce", begun.asked().get("nonce"));
        claims(begun.account()).forEach(claims::claim);
        SignedJWT signed = new SignedJWT(new JWSHeader.Builder(JWSAlgorithm.RS256).keyID(key.getKeyID()).build(), claims.build());
        signed.sign(new RSASSASigner(key));
        String access = UUID.randomUUID().toString();
        tokens.put(access, begun.account());
        json(exchange, 200, Map.of("access_token", access, "token_type", "Bearer", "expires_in", GOOD.toSeconds(), "scope",
                "openid profile email", "id_token", signed.serialize()));
    }

    private static boolean hasVerifier(Map<String, String> asked, String verifier) {
        String challenge = asked.get("code_challenge");
        if (challenge == null) {
            return true;
        }
        try {
            return CodeChallenge.compute(CodeChallengeMethod.S256, new CodeVerifier(String.valueOf(verifier))).getValue().equals(challenge);
        } catch (IllegalArgumentException e) {
            return false;
        }
    }

    private void userinfo(HttpExchange exchange) throws IOException {
        String header = String.valueOf(exchange.getRequestHeaders().getFirst("Authorization"));
        Account account = tokens.get(header.replaceFirst("^Bearer ", ""));
        json(exchange, account == null ? 401 : 200, account == null ? Map.of("error", "invalid_token") : claims(account));
    }

    private static Map<String, Object> claims(Account account) {
        return Map.of("sub", account.subject(), "name", account.name(), "email", account.email(), "email_verified", true);
    }

    private static void json(HttpExchange exchange, int status, Object value) throws IOException {
        send(exchange, status, "application/json", JSON.writeValueAsString(value));
    }

    private static void send(HttpExchange exchange, int status, String type, String text) throws IOException {
        byte[] bytes = text.getBytes(StandardCharsets.UTF_8);
        exchange.getResponseHeaders().set("Content-Type", type);
        exchange.getResponseHeaders().set("Content-Security-Policy", "default-src 'none'; style-src 'unsafe-inline'");
        exchange.sendResponseHeaders(status, bytes.length);
        exchange.getResponseBody().write(bytes);
    }

    private static Map<String, String> form(HttpExchange exchange) throws IOException {
        return parameters(new String(exchange.getRequestBody().readNBytes(LONGEST_FORM), StandardCharsets.UTF_8));
    }

    private static Map<String, String> parameters(String encoded) {
        Map<String, String> parameters = new HashMap<>();
        for (String pair : encoded == null ? new String[0] : encoded.split("&")) {
            String[] parts = pair.split("=", 2);
            parameters.put(decoded(parts[0]), parts.length > 1 ? decoded(parts[1]) : "");
        }
        return parameters;
    }

    private static String decoded(String text) {
        return URLDecoder.decode(text, StandardCharsets.UTF_8);
    }
}

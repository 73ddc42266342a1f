package org.hiddenclerk.app.platform.accounts;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Arrays;
import java.util.Map;
import java.util.Optional;
import org.hiddenclerk.app.platform.access.Role;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.security.authentication.AuthenticationManager;
import org.springframework.security.authentication.ProviderManager;
import org.springframework.security.authentication.dao.DaoAuthenticationProvider;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.annotation.web.configurers.AbstractHttpConfigurer;
import org.springframework.security.config.http.SessionCreationPolicy;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.crypto.password.DelegatingPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.crypto.password.Pbkdf2PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.authentication.UsernamePasswordAuthenticationFilter;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Who may do what. Requests with a bearer token go by the token alone, without session, cookie or cross-site token.
 * All others go by the session and need the cross-site token for every change.
 */
@Configuration
class SecurityRules {
    /** Everything comes from the application itself; no inline script, no other origin. */
    private static final String CONTENT_POLICY = "default-src 'self'; img-src 'self' data:; object-src 'none'; "
            + "base-uri 'none'; form-action 'self'; frame-ancestors 'none'";

    private static final String BEARER = "Bearer ";
    private static final String[] LEADS =
            Arrays.stream(Role.values()).filter(Role::leads).map(Role::name).toArray(String[]::new);

    @Bean
    @Order(1)
    SecurityFilterChain bearers(HttpSecurity http, ApiTokens tokens) throws Exception {
        return http.securityMatcher(request -> bearer(request).isPresent())
                .csrf(AbstractHttpConfigurer::disable)
                .sessionManagement(session -> session.sessionCreationPolicy(SessionCreationPolicy.STATELESS))
                .addFilterBefore(new BearerFilter(tokens), UsernamePasswordAuthenticationFilter.class)
                .authorizeHttpRequests(requests -> requests.requestMatchers("/actuator/health/**")
                        .permitAll()
                        .requestMatchers("/actuator/**")
                        .hasAnyRole(LEADS)
                        .anyRequest()
                        .authenticated())
                .exceptionHandling(handling -> handling.authenticationEntryPoint((request, response, e) -> answer(
                        response, HttpStatus.UNAUTHORIZED, "The token is not known, was revoked or has run out.")))
                .build();
    }

    @Bean
    @Order(2)
    SecurityFilterChain sessions(HttpSecurity http, SecurityContextRepository contexts) throws Exception {
        return http.csrf(csrf -> csrf.spa())
                .securityContext(context -> context.securityContextRepository(contexts))
                .requestCache(cache -> cache.disable())
                .authorizeHttpRequests(requests -> requests.requestMatchers(
                                "/api/v1/session",
                                "/api/v1/setup",
                                "/api/v1/visit",
                                "/api/v1/invitation",
                                "/api/v1/invitation/accepted")
                        .permitAll()
                        .requestMatchers("/api/**")
                        .authenticated()
                        .requestMatchers("/actuator/health/**")
                        .permitAll()
                        .requestMatchers("/actuator/**")
                        .hasAnyRole(LEADS)
                        .anyRequest()
                        .permitAll())
                .headers(headers -> headers.contentSecurityPolicy(policy -> policy.policyDirectives(CONTENT_POLICY))
                        .referrerPolicy(referrer -> referrer.policy(
                                org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter
                                        .ReferrerPolicy.SAME_ORIGIN)))
                .exceptionHandling(handling -> handling.authenticationEntryPoint(
                                (request, response, e) -> answer(response, HttpStatus.UNAUTHORIZED, "Log in first."))
                        .accessDeniedHandler((request, response, e) -> answer(
                                response,
                                HttpStatus.FORBIDDEN,
                                "This is refused: no right to it, or no cross-site "
                                        + "token came with it. Load the page again.")))
                .build();
    }

    @Bean
    SecurityContextRepository securityContexts() {
        return new HttpSessionSecurityContextRepository();
    }

    /** PBKDF2 takes passwords of any length; the stored hash names its method, so that it can be changed later. */
    @Bean
    PasswordEncoder passwordEncoder() {
        return new DelegatingPasswordEncoder(
                "pbkdf2", Map.of("pbkdf2", Pbkdf2PasswordEncoder.defaultsForSpringSecurity_v5_8()));
    }

    @Bean
    AuthenticationManager authenticationManager(Accounts accounts, PasswordEncoder passwords) {
        DaoAuthenticationProvider provider = new DaoAuthenticationProvider(accounts);
        provider.setPasswordEncoder(passwords);
        return new ProviderManager(provider);
    }

    private static Optional<String> bearer(HttpServletRequest request) {
        return Optional.ofNullable(request.getHeader(HttpHeaders.AUTHORIZATION))
                .filter(value -> value.startsWith(BEARER))
                .map(value -> value.substring(BEARER.length()).strip());
    }

    private static void answer(HttpServletResponse response, HttpStatus status, String title) throws IOException {
        response.setStatus(status.value());
        response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
        response.setCharacterEncoding("UTF-8");
        response.getWriter()
                .write("{\"type\":\"about:blank\",\"title\":\"" + title + "\",\"status\":" + status.value()
                        + ",\"errors\":[]}");
    }

    /** Puts the token's account into the security context of this one request. */
    private static final class BearerFilter extends OncePerRequestFilter {
        private final ApiTokens tokens;

        BearerFilter(ApiTokens tokens) {
            this.tokens = tokens;
        }

        @Override
        protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
                throws ServletException, IOException {
            bearer(request).flatMap(tokens::callerOf).ifPresent(caller -> {
                SecurityContext context = SecurityContextHolder.createEmptyContext();
                context.setAuthentication(caller);
                SecurityContextHolder.setContext(context);
            });
            chain.doFilter(request, response);
        }
    }
}

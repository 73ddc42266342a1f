package org.hiddenclerk.app.platform.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.HexFormat;
import java.util.Optional;
import java.util.concurrent.ThreadLocalRandom;
import java.util.regex.Pattern;
import org.hiddenclerk.app.platform.access.Access;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.slf4j.MDC;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Gives every request a number that stands in each line logged for it and goes back with the answer; a proxy in front may bring its own.
 * A line is written for each change, for what was slow and for what failed: method, path without its query, status, time, and by whom.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 1)
class RequestLog extends OncePerRequestFilter {
    static final String HEADER = "X-Request-Id";
    static final String KEY = "request";
    private static final Logger LOG = LoggerFactory.getLogger(RequestLog.class);
    private static final Pattern TAKEN = Pattern.compile("[A-Za-z0-9-]{8,64}");
    private static final int SLOW_MS = 1_000;
    private static final int NANOS_PER_MS = 1_000_000;

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        String id = Optional.ofNullable(request.getHeader(HEADER))
                .filter(given -> TAKEN.matcher(given).matches())
                .orElseGet(() ->
                        HexFormat.of().toHexDigits(ThreadLocalRandom.current().nextLong()));
        MDC.put(KEY, id);
        response.setHeader(HEADER, id);
        long began = System.nanoTime();
        try {
            chain.doFilter(request, response);
        } finally {
            long ms = (System.nanoTime() - began) / NANOS_PER_MS;
            boolean changes =
                    !request.getMethod().equals("GET") && !request.getMethod().equals("HEAD");
            if (request.getRequestURI().startsWith("/api/")
                    && (changes || ms > SLOW_MS && !request.isAsyncStarted() || response.getStatus() >= 500)) {
                String who = Optional.ofNullable(MDC.get(Access.WHO)).orElse("nobody");
                LOG.info(
                        "{} {} {} {} ms by {}",
                        request.getMethod(),
                        request.getRequestURI(),
                        response.getStatus(),
                        ms,
                        who);
            }
            MDC.remove(KEY);
            MDC.remove(Access.WHO);
        }
    }
}

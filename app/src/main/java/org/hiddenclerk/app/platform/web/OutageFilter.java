package org.hiddenclerk.app.platform.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Optional;
import org.hiddenclerk.app.platform.problem.Outage;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** Answers what fails before a controller is reached, for instance because sessions cannot be read, in the same words as later failures. */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 5)
class OutageFilter extends OncePerRequestFilter {
    private static final Logger LOG = LoggerFactory.getLogger(OutageFilter.class);

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        try {
            chain.doFilter(request, response);
        } catch (ServletException | IOException | RuntimeException failure) {
            Optional<Outage> outage = Outage.behind(failure);
            if (outage.isEmpty() || response.isCommitted()) {
                throw failure;
            }
            LOG.warn("{} {}: {}", request.getMethod(), request.getRequestURI(), failure.toString());
            response.resetBuffer();
            response.setStatus(HttpStatus.SERVICE_UNAVAILABLE.value());
            response.setHeader(HttpHeaders.RETRY_AFTER, "5");
            response.setHeader(HttpHeaders.CACHE_CONTROL, "no-store");
            response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
            response.setCharacterEncoding("UTF-8");
            response.getWriter()
                    .write("{\"type\":\"about:blank\",\"title\":\""
                            + outage.get().words() + "\",\"status\":503,\"errors\":[]}");
        }
    }
}

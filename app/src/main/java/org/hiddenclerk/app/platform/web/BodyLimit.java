package org.hiddenclerk.app.platform.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.regex.Pattern;
import org.hiddenclerk.app.ClerkProperties;
import org.hiddenclerk.app.platform.problem.FieldProblem;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** Refuses bodies over the limit with 413, by their stated length at once and otherwise as soon as they pass it. */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 10)
class BodyLimit extends OncePerRequestFilter {
    /** Pictures and firmware files come larger than documents do. */
    private static final Pattern FILES = Pattern.compile("/api/v1/boxes/[^/]+/photos|/api/v1/firmware");

    private final ClerkProperties properties;

    BodyLimit(ClerkProperties properties) {
        this.properties = properties;
    }

    private long limitOf(HttpServletRequest request) {
        if (request.getRequestURI().equals("/api/v1/jobs/import")) {
            return properties.jobFileLimitBytes();
        }
        return FILES.matcher(request.getRequestURI()).matches()
                ? properties.photoLimitBytes()
                : properties.bodyLimitBytes();
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        long limit = limitOf(request);
        if (request.getContentLengthLong() > limit) {
            response.setStatus(HttpStatus.CONTENT_TOO_LARGE.value());
            response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
            response.getWriter()
                    .write("{\"title\":\"The document is too large\",\"status\":413,\"errors\":[{\"pointer\":\"\","
                            + "\"found\":\"" + request.getContentLengthLong() + " bytes\",\"expected\":\"at most "
                            + limit
                            + " bytes\"}]}");
            return;
        }
        chain.doFilter(new Limited(request, limit), response);
    }

    private static final class Limited extends HttpServletRequestWrapper {
        private final long limit;

        Limited(HttpServletRequest request, long limit) {
            super(request);
            this.limit = limit;
        }

        @Override
        public ServletInputStream getInputStream() throws IOException {
            return new LimitedStream(super.getInputStream(), limit);
        }

        @Override
        public BufferedReader getReader() throws IOException {
            return new BufferedReader(new InputStreamReader(getInputStream(), StandardCharsets.UTF_8));
        }
    }

    private static final class LimitedStream extends ServletInputStream {
        private final ServletInputStream source;
        private final long limit;
        private long count;

        LimitedStream(ServletInputStream source, long limit) {
            this.source = source;
            this.limit = limit;
        }

        @Override
        public int read() throws IOException {
            int value = source.read();
            passed(value < 0 ? 0 : 1);
            return value;
        }

        @Override
        public int read(byte[] buffer, int offset, int length) throws IOException {
            int read = source.read(buffer, offset, length);
            passed(Math.max(0, read));
            return read;
        }

        private void passed(int bytes) {
            count += bytes;
            if (count > limit) {
                throw new ProblemException(
                        HttpStatus.CONTENT_TOO_LARGE,
                        "The document is too large",
                        List.of(new FieldProblem("", "more than " + limit + " bytes", "at most " + limit + " bytes")));
            }
        }

        @Override
        public boolean isFinished() {
            return source.isFinished();
        }

        @Override
        public boolean isReady() {
            return source.isReady();
        }

        @Override
        public void setReadListener(ReadListener listener) {
            source.setReadListener(listener);
        }
    }
}

package org.hiddenclerk.app.platform.access;

import com.fasterxml.jackson.annotation.JsonView;
import java.util.Map;
import java.util.Optional;
import org.springframework.core.MethodParameter;
import org.springframework.http.MediaType;
import org.springframework.http.converter.HttpMessageConverter;
import org.springframework.http.server.ServerHttpRequest;
import org.springframework.http.server.ServerHttpResponse;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.servlet.mvc.method.annotation.ResponseBodyAdvice;

/** Prices are for those who lead: what is marked with this view is left out of answers to everybody else. What is kept has them all. */
public interface Prices {
    /** The view that is without them. */
    interface LeftOut {}

    /** Whether a caller may see them; work without a caller, such as a paper in the background, may. */
    static boolean areFor(Optional<Caller> caller) {
        return caller.map(who -> who.role().leads()).orElse(true);
    }

    /** Leaves them out. */
    @RestControllerAdvice
    class LeavingOut implements ResponseBodyAdvice<Object> {
        @Override
        public boolean supports(MethodParameter returned, Class<? extends HttpMessageConverter<?>> converter) {
            return true;
        }

        @Override
        public Object beforeBodyWrite(
                Object body,
                MethodParameter returned,
                MediaType type,
                Class<? extends HttpMessageConverter<?>> converter,
                ServerHttpRequest request,
                ServerHttpResponse response) {
            return body;
        }

        @Override
        public Map<String, Object> determineWriteHints(
                Object body,
                MethodParameter returned,
                MediaType type,
                Class<? extends HttpMessageConverter<?>> converter) {
            Optional<Caller> caller = Optional.ofNullable(
                            SecurityContextHolder.getContext().getAuthentication())
                    .flatMap(Caller::of);
            return areFor(caller) ? Map.of() : Map.of(JsonView.class.getName(), LeftOut.class);
        }
    }
}

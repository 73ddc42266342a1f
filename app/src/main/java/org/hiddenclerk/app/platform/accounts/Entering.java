package org.hiddenclerk.app.platform.accounts;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.util.Optional;
import org.springframework.http.HttpHeaders;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.stereotype.Component;

/** Begins a session for somebody who has shown who they are. */
@Component
class Entering {
    private final SecurityContextRepository contexts;

    Entering(SecurityContextRepository contexts) {
        this.contexts = contexts;
    }

    /** Under a new id: one that was planted before the login is good for nothing after it. */
    void enter(Authentication who, HttpServletRequest request, HttpServletResponse response) {
        if (request.getSession(false) != null) {
            request.changeSessionId();
        }
        SecurityContext context = SecurityContextHolder.createEmptyContext();
        context.setAuthentication(who);
        SecurityContextHolder.setContext(context);
        contexts.saveContext(context, request, response);
        HttpSession session = request.getSession();
        session.setAttribute(
                LoginSessions.DEVICE,
                LoginSessions.device(Optional.ofNullable(request.getHeader(HttpHeaders.USER_AGENT))
                        .orElse("")));
        session.setAttribute(LoginSessions.ADDRESS, request.getRemoteAddr());
    }
}

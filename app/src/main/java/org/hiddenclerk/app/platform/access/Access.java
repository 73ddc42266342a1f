package org.hiddenclerk.app.platform.access;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.slf4j.MDC;
import org.springframework.core.annotation.AnnotatedElementUtils;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.HandlerMapping;

/** Decides on every request to the API, before anything of it is read. */
@Component
public class Access implements HandlerInterceptor {
    /** Under which name the caller stands in the context of the log. */
    public static final String WHO = "who";

    private final JobsOfCallers jobs;

    Access(JobsOfCallers jobs) {
        this.jobs = jobs;
    }

    @Override
    public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler) {
        if (!(handler instanceof HandlerMethod method)) {
            return true;
        }
        Right right = rightOf(method).orElseThrow(() -> refused("Nobody may do this: it does not say who may."));
        if (right == Right.OPEN) {
            return true;
        }
        Caller caller = Caller.of(request.getUserPrincipal())
                .orElseThrow(() -> refused("This login has no role here. Log in again."));
        // Goes into every line that is logged for the request; whoever numbered it clears it.
        MDC.put(WHO, caller.name());
        if (!right.roles().contains(caller.role())) {
            throw refused(
                    right == Right.OWNER
                            ? "This is for the owner of the firm."
                            : caller.role() == Role.GUEST
                                    ? "A guest reads the guide and the live house only."
                                    : "This is for a lead to decide.");
        }
        boolean reads = request.getMethod().equals("GET") || request.getMethod().equals("HEAD");
        if (caller.scopes().isPresent()) {
            mustCover(caller.scopes().get(), right.scope(reads));
        }
        if (right.ofJob()) {
            mustBeOfTheirs(caller, request);
        }
        return true;
    }

    static Optional<Right> rightOf(HandlerMethod method) {
        return Optional.ofNullable(method.getMethodAnnotation(Needs.class))
                .or(() -> Optional.ofNullable(
                        AnnotatedElementUtils.findMergedAnnotation(method.getBeanType(), Needs.class)))
                .map(Needs::value);
    }

    private static void mustCover(Set<Scope> scopes, Optional<Scope> asked) {
        Scope scope = asked.orElseThrow(() -> refused("No token may do this. Log in as a person."));
        if (!scopes.contains(scope)) {
            throw refused("This token may not do this: it lacks the scope " + scope + " (" + scope.label() + ").");
        }
    }

    @SuppressWarnings("unchecked")
    private void mustBeOfTheirs(Caller caller, HttpServletRequest request) {
        Optional<Set<UUID>> theirs = jobs.visibleTo(caller);
        if (theirs.isEmpty()) {
            return;
        }
        Map<String, String> variables =
                (Map<String, String>) request.getAttribute(HandlerMapping.URI_TEMPLATE_VARIABLES_ATTRIBUTE);
        // What does not exist is refused in the same words: nobody learns which jobs there are.
        if (jobs.jobOf(variables).filter(theirs.get()::contains).isEmpty()) {
            throw refused(
                    caller.role() == Role.GUEST
                            ? "This link does not lead here, or it has run out. Ask the firm for a new one."
                            : "This job is not assigned to you. Ask a lead.");
        }
    }

    private static ProblemException refused(String why) {
        return new ProblemException(HttpStatus.FORBIDDEN, why, List.of());
    }
}

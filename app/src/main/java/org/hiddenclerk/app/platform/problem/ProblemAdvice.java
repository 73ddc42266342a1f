package org.hiddenclerk.app.platform.problem;

import jakarta.validation.ConstraintViolation;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.dao.OptimisticLockingFailureException;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.web.bind.MethodArgumentNotValidException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.WebRequest;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.exc.UnrecognizedPropertyException;

/** Every refusal as a problem document (RFC 9457) that names the place, what was found and what is expected. */
@RestControllerAdvice
public class ProblemAdvice extends ResponseEntityExceptionHandler {
    private static final Logger LOG = LoggerFactory.getLogger(ProblemAdvice.class);

    @ExceptionHandler(ProblemException.class)
    ResponseEntity<ProblemDetail> unusable(ProblemException unusable) {
        return answer(unusable.status(), unusable.getMessage(), unusable.errors());
    }

    @ExceptionHandler(OpensIssuedWork.class)
    ResponseEntity<ProblemDetail> opensIssuedWork(OpensIssuedWork opens) {
        ResponseEntity<ProblemDetail> answer = unusable(opens);
        Objects.requireNonNull(answer.getBody()).setType(OpensIssuedWork.TYPE);
        return answer;
    }

    @ExceptionHandler(OptimisticLockingFailureException.class)
    ResponseEntity<ProblemDetail> changedMeanwhile(OptimisticLockingFailureException changed) {
        return answer(
                HttpStatus.CONFLICT, "Someone else changed this. Your entry is not saved; load it again.", List.of());
    }

    @ExceptionHandler(DataIntegrityViolationException.class)
    ResponseEntity<ProblemDetail> contradictsWhatIsStored(DataIntegrityViolationException violation) {
        return answer(
                HttpStatus.CONFLICT,
                "This contradicts what is stored: a name is taken already, or something still "
                        + "refers to what would go away.",
                List.of());
    }

    @ExceptionHandler(Exception.class)
    ResponseEntity<ProblemDetail> broken(Exception exception) {
        Optional<Outage> outage = Outage.behind(exception);
        if (outage.isPresent()) {
            LOG.warn("{}: {}", outage.get(), exception.toString());
            return answer(HttpStatus.SERVICE_UNAVAILABLE, outage.get().words(), List.of());
        }
        LOG.error("Request failed", exception);
        return answer(
                HttpStatus.INTERNAL_SERVER_ERROR, "Something broke here. Nothing was changed; try again.", List.of());
    }

    @Override
    protected ResponseEntity<Object> handleMethodArgumentNotValid(
            MethodArgumentNotValidException invalid, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        List<FieldProblem> errors = new ArrayList<>();
        invalid.getBindingResult()
                .getFieldErrors()
                .forEach(error -> errors.add(new FieldProblem(
                        pointer(error.getField()),
                        found(error.getField(), error.getRejectedValue()),
                        error.contains(ConstraintViolation.class) ? error.getDefaultMessage() : "another value")));
        return asObject(answer(HttpStatus.UNPROCESSABLE_CONTENT, "Some entries cannot be used", errors));
    }

    @Override
    protected ResponseEntity<Object> handleHttpMessageNotReadable(
            HttpMessageNotReadableException unreadable,
            HttpHeaders headers,
            HttpStatusCode status,
            WebRequest request) {
        for (Throwable cause = unreadable; cause != null; cause = cause.getCause()) {
            if (cause instanceof ProblemException unusable) {
                return asObject(unusable(unusable));
            }
        }
        if (unreadable.getCause() instanceof JacksonException broken) {
            return asObject(answer(HttpStatus.BAD_REQUEST, "The document cannot be read", List.of(describe(broken))));
        }
        return asObject(answer(
                HttpStatus.BAD_REQUEST,
                "The document cannot be read",
                List.of(new FieldProblem("", "nothing, or not JSON", "a JSON document"))));
    }

    private static FieldProblem describe(JacksonException broken) {
        StringBuilder pointer = new StringBuilder();
        broken.getPath().forEach(step -> pointer.append('/')
                .append(step.getPropertyName() == null ? String.valueOf(step.getIndex()) : step.getPropertyName()));
        if (broken instanceof UnrecognizedPropertyException unknown) {
            return new FieldProblem(
                    pointer.toString(),
                    "unknown field " + unknown.getPropertyName(),
                    "only fields that the API document lists");
        }
        String where = broken.getLocation() == null
                ? ""
                : " (line " + broken.getLocation().getLineNr() + ", column "
                        + broken.getLocation().getColumnNr() + ")";
        String what = broken.getOriginalMessage();
        return new FieldProblem(
                pointer.toString(),
                "not usable" + where,
                what == null
                        ? "valid JSON"
                        : what.lines()
                                .findFirst()
                                .orElse("valid JSON")
                                .replaceAll("`?(org|java|tools)\\.[\\w.$]+`?", "a value"));
    }

    /** What was typed, unless it is a secret. */
    private static String found(String field, Object value) {
        return field.toLowerCase(java.util.Locale.ROOT).contains("password") ? "not shown" : String.valueOf(value);
    }

    /** {@code gangs[0].name} as {@code /gangs/0/name}. */
    private static String pointer(String field) {
        return "/" + field.replace("[", "/").replace("]", "").replace('.', '/');
    }

    private static ResponseEntity<ProblemDetail> answer(HttpStatus status, String title, List<FieldProblem> errors) {
        ProblemDetail problem = ProblemDetail.forStatus(status);
        problem.setTitle(title);
        problem.setProperty("errors", errors);
        return ResponseEntity.status(status).body(problem);
    }

    private static ResponseEntity<Object> asObject(ResponseEntity<ProblemDetail> answer) {
        return ResponseEntity.status(answer.getStatusCode()).body(answer.getBody());
    }
}

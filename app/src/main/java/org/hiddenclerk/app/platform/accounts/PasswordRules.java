package org.hiddenclerk.app.platform.accounts;

import com.nulabinc.zxcvbn.Zxcvbn;
import java.util.List;
import java.util.Optional;
import org.hiddenclerk.app.platform.problem.FieldProblem;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.springframework.stereotype.Component;

/**
 * What a password must be: 12 to 200 characters, and none of the common ones. Nothing is asked of kinds of characters, and none is
 * asked to be changed from time to time (NIST SP 800-63B, 5.1.1.2). The lists of common ones are those that the library ships; it
 * also tells them backwards, with figures for letters, one behind the other, and runs of keys.
 */
@Component
class PasswordRules {
    static final int SHORTEST = 12;
    static final int LONGEST = 200;
    private static final int MEASURED = 100;
    /** With login slowed down nobody tries that many; with the hash stolen it takes months of one core. From memory. */
    private static final double FEWEST_GUESSES_LOG10 = 8;

    private static final String ASKED = SHORTEST + " to " + LONGEST
            + " characters that nobody would try first, for instance four words that do not belong together";

    private final Zxcvbn library = new Zxcvbn();

    /** @throws ProblemException with what is wrong; the password is never repeated */
    void check(String password, String name, String displayName) {
        flaw(password, name, displayName).ifPresent(flaw -> {
            throw ProblemException.content("This password is not taken", new FieldProblem("/password", flaw, ASKED));
        });
    }

    Optional<String> flaw(String password, String name, String displayName) {
        int length = password.codePointCount(0, password.length());
        if (length < SHORTEST || length > LONGEST) {
            return Optional.of(length + " characters");
        }
        String measured = password.substring(0, Math.min(MEASURED, password.length()));
        double guesses = library.measure(measured, List.of(name, displayName, "hidden clerk", "hiddenclerk"))
                .getGuessesLog10();
        return guesses < FEWEST_GUESSES_LOG10
                ? Optional.of("one of the first hundred million that are tried")
                : Optional.empty();
    }
}

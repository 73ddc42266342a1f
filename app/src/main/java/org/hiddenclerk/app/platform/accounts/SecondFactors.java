package org.hiddenclerk.app.platform.accounts;

import com.eatthepath.otp.TimeBasedOneTimePasswordGenerator;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.security.InvalidKeyException;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Locale;
import java.util.function.UnaryOperator;
import javax.crypto.spec.SecretKeySpec;
import org.apache.commons.codec.binary.Base32;
import org.hiddenclerk.app.platform.problem.FieldProblem;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.app.platform.secrets.KeepsSecrets;
import org.hiddenclerk.app.platform.secrets.KeyRing;
import org.hiddenclerk.app.platform.secrets.Sealed;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Codes of six digits that change every 30 s (RFC 6238), and recovery codes for whoever lost the device that shows them. */
@Service
class SecondFactors implements KeepsSecrets {
    /** RFC 4226, 4: 160 bits are recommended. */
    private static final int SECRET_BYTES = 20;

    private static final int RECOVERY_CODES = 10;
    private static final int RECOVERY_BYTES = 8;
    /** A step before and after: clocks differ, and people type slowly (RFC 6238, 5.2). */
    private static final int DRIFT_STEPS = 1;

    private final AccountRepository accounts;
    private final KeyRing keys;
    private final Clock clock;
    private final TimeBasedOneTimePasswordGenerator codes = new TimeBasedOneTimePasswordGenerator();

    SecondFactors(AccountRepository accounts, KeyRing keys, Clock clock) {
        this.accounts = accounts;
        this.keys = keys;
        this.clock = clock;
    }

    /**
     * A secret to be tried once before it counts.
     *
     * @param text in base 32, to be typed
     * @param uri  the same for a picture that is scanned
     */
    record Offered(String text, String uri) {}

    @Transactional
    public Offered offer(String account) {
        AccountRow row = row(account);
        String text = new Base32().encodeToString(Secrets.bytes(SECRET_BYTES));
        row.pendingFactor(keys.seal(text, row.about()));
        String issuer = "Hidden%20Clerk";
        return new Offered(
                text,
                "otpauth://totp/" + issuer + ":" + URLEncoder.encode(row.name(), StandardCharsets.UTF_8) + "?secret="
                        + text + "&issuer=" + issuer);
    }

    /** @return recovery codes, shown once */
    @Transactional
    public List<String> confirm(String account, String code) {
        AccountRow row = row(account);
        Sealed pending = row.pendingFactor()
                .orElseThrow(() -> ProblemException.conflict("There is nothing to confirm. Begin again."));
        if (!matches(row, pending, code)) {
            throw wrong();
        }
        List<String> fresh = new ArrayList<>();
        for (int i = 0; i < RECOVERY_CODES; i++) {
            fresh.add(HexFormat.of().formatHex(Secrets.bytes(RECOVERY_BYTES)).replaceAll("(.{4})(?=.)", "$1-"));
        }
        row.confirmFactor(fresh.stream().map(SecondFactors::recoveryHash).toList());
        return fresh;
    }

    @Transactional
    public void remove(String account) {
        row(account).noFactor();
    }

    /** Whether the code is right for the account; a code or a recovery code is used up by that. */
    @Transactional
    public boolean accepts(String account, String code) {
        AccountRow row = row(account);
        String plain = code.strip().replace(" ", "");
        return row.secondFactor()
                .map(secret -> matches(row, secret, plain) || row.usesRecovery(recoveryHash(plain)))
                .orElse(true);
    }

    private boolean matches(AccountRow row, Sealed sealed, String code) {
        SecretKeySpec secret =
                new SecretKeySpec(new Base32().decode(keys.open(sealed, row.about())), codes.getAlgorithm());
        long now = clock.instant().getEpochSecond() / codes.getTimeStep().toSeconds();
        try {
            for (long step = now - DRIFT_STEPS; step <= now + DRIFT_STEPS; step++) {
                if (codes.generateOneTimePasswordString(
                                secret,
                                Instant.ofEpochSecond(step * codes.getTimeStep().toSeconds()))
                        .equals(code)) {
                    return row.uses(step);
                }
            }
        } catch (InvalidKeyException e) {
            throw new IllegalStateException("Impossible state: the key is made for this algorithm.", e);
        }
        return false;
    }

    @Override
    @Transactional
    public int wrapAnew(UnaryOperator<Sealed> wrapped) {
        int count = 0;
        for (AccountRow row : accounts.findAll()) {
            row.wrapped(row.secondFactor().map(wrapped), row.pendingFactor().map(wrapped));
            count += row.secondFactor().isPresent() ? 1 : 0;
        }
        return count;
    }

    private AccountRow row(String account) {
        return accounts.findLockedByName(account).orElseThrow(() -> ProblemException.notFound("account"));
    }

    private static String recoveryHash(String code) {
        return Secrets.hash("recovery " + code.toLowerCase(Locale.ROOT).replace("-", ""));
    }

    static ProblemException wrong() {
        return ProblemException.content(
                "The code does not match",
                new FieldProblem(
                        "/code", "another one", "the six digits that the device shows now; each is good once"));
    }
}

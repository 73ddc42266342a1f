package org.hiddenclerk.app.platform.accounts;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** NIST SP 800-63B, 5.1.1.2: length, and a list of values that are commonly used; no rules of composition. */
class PasswordRulesTest {
    private final PasswordRules rules = new PasswordRules();

    @ParameterizedTest
    @ValueSource(
            strings = {
                "password1234",
                "passwordpassword",
                "qwertyuiop[]",
                "123456789012",
                "aaaaaaaaaaaaaa",
                "abcdefghijklm",
                "drowssapdrowssap",
                "hiddenclerk",
                "unbelievable",
                "p-leadp-lead"
            })
    void whatIsTriedFirstIsNotTaken(String password) {
        assertThat(rules.flaw(password, "p-lead", "Of P")).isPresent();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"gantry otter plinth nine", "tannery-house-demo", "ünïcödé is fine here", "wheel2stone9barrow"})
    void fourWordsThatDoNotBelongTogetherAre(String password) {
        assertThat(rules.flaw(password, "p-lead", "Of P")).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(ints = {11, 201})
    void theLengthIsCountedInCharacters(int length) {
        assertThat(rules.flaw("x7".repeat(length).substring(0, length), "n", "d"))
                .hasValue(length + " characters");
    }
}

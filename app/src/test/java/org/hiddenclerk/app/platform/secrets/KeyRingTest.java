package org.hiddenclerk.app.platform.secrets;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Base64;
import java.util.Collections;
import java.util.List;
import javax.crypto.Cipher;
import javax.crypto.spec.GCMParameterSpec;
import javax.crypto.spec.SecretKeySpec;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Envelopes: every text under a key of its own, which the ring wraps. */
class KeyRingTest {
    private static final String TEXT = "83FED3407A939723A5C639B26916D505";
    private static final String ABOUT = "unit 7";

    @TempDir
    private Path place;

    private Path file;
    private KeyRing ring;

    @BeforeEach
    void open() {
        file = place.resolve("keys");
        ring = new KeyRing(file, "");
    }

    @Test
    void theSameTextIsNeverSealedAlikeAndOpensForWhatItBelongsToOnly() {
        Sealed one = ring.seal(TEXT, ABOUT);
        Sealed other = ring.seal(TEXT, ABOUT);
        assertThat(one.dataKey()).isNotEqualTo(other.dataKey());
        assertThat(one.text()).isNotEqualTo(other.text());
        assertThat(ring.open(Sealed.of(one.bytes()), ABOUT))
                .as("in one piece and back")
                .isEqualTo(TEXT);
        assertThatThrownBy(() -> ring.open(one, "unit 8")).isInstanceOf(ProblemException.class);
        assertThatThrownBy(() -> ring.open(new Sealed(1, other.dataKey(), one.nonce(), one.text()), ABOUT))
                .as("another's key")
                .isInstanceOf(ProblemException.class);
    }

    @Test
    void aNewKeyWrapsAnewAndLeavesTheTextAsItIs() throws IOException {
        Sealed before = ring.seal(TEXT, ABOUT);
        int number = ring.renew();
        Sealed after = ring.wrapAnew(before);
        assertThat(after.key()).isEqualTo(number).isEqualTo(before.key() + 1);
        assertThat(after.text()).isEqualTo(before.text());
        assertThat(after.dataKey()).isNotEqualTo(before.dataKey());
        assertThat(ring.open(before, ABOUT)).as("a copy from before").isEqualTo(TEXT);
        // Without the old key only what was wrapped anew opens.
        Files.write(
                file,
                Files.readAllLines(file).stream()
                        .filter(line -> !line.startsWith(before.key() + " "))
                        .toList());
        assertThat(ring.open(after, ABOUT)).isEqualTo(TEXT);
        assertThatThrownBy(() -> ring.open(before, ABOUT))
                .isInstanceOf(ProblemException.class)
                .hasMessageContaining("not on this machine");
    }

    /** AES-256-GCM by the platform alone, as the first version sealed: the ring's key itself, no envelope. */
    @Test
    void whatTheRingSealedItselfStillOpens() throws Exception {
        ring.seal(TEXT, ABOUT);
        byte[] key = Base64.getDecoder().decode(Files.readAllLines(file).get(1).split(" ")[1]);
        byte[] nonce = new byte[12];
        Cipher cipher = Cipher.getInstance("AES/GCM/NoPadding");
        cipher.init(Cipher.ENCRYPT_MODE, new SecretKeySpec(key, "AES"), new GCMParameterSpec(128, nonce));
        cipher.updateAAD(ABOUT.getBytes());
        Sealed first = new Sealed(1, new byte[0], nonce, cipher.doFinal(TEXT.getBytes()));
        assertThat(ring.open(first, ABOUT)).isEqualTo(TEXT);
    }

    @Test
    void keysFromTheEnvironmentLeaveNoFileAndAreRenewedThere() throws IOException {
        Sealed sealed = ring.seal(TEXT, ABOUT);
        String text = String.join(",", Files.readAllLines(file));
        Path none = place.resolve("none");
        KeyRing given = new KeyRing(none, text);
        assertThat(given.open(sealed, ABOUT)).isEqualTo(TEXT);
        assertThat(given.open(given.seal(TEXT, ABOUT), ABOUT)).isEqualTo(TEXT);
        assertThat(none).doesNotExist();
        assertThatThrownBy(given::renew).isInstanceOf(ProblemException.class).hasMessageContaining("environment");
        KeyRing more = new KeyRing(none, text + ",2 " + Base64.getEncoder().encodeToString(new byte[32]));
        assertThat(more.wrapAnew(sealed).key()).isEqualTo(2);
    }

    @Test
    void damagedKeysAreToldAndNothingIsMadeInTheirPlace() throws IOException {
        for (List<String> lines :
                List.of(Collections.<String>emptyList(), List.of("0 AAAA", "1 AAAA"), List.of("what is this"))) {
            Files.write(file, lines);
            assertThatThrownBy(() -> ring.seal(TEXT, ABOUT))
                    .isInstanceOf(ProblemException.class)
                    .hasMessageContaining("damaged");
            assertThat(Files.readAllLines(file)).isEqualTo(lines);
        }
    }
}

package org.hiddenclerk.app.bench;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.GeneralSecurityException;
import java.security.SecureRandom;
import java.util.Base64;
import java.util.Map;
import java.util.TreeMap;
import javax.crypto.Cipher;
import javax.crypto.Mac;
import javax.crypto.spec.GCMParameterSpec;
import javax.crypto.spec.SecretKeySpec;
import org.hiddenclerk.app.problem.Unusable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * Keys that seal credentials, in a file beside the database and never in it: a line for each, a number and 256 bits in base 64. Line
 * 0 makes prints by which equal credentials are told without opening them; it is never changed. The highest number seals.
 */
@Component
class KeyRing {
    private static final int KEY_BYTES = 32;
    private static final int NONCE_BYTES = 12;
    private static final int TAG_BITS = 128;
    private static final int PRINTING = 0;

    private final Path file;
    private final SecureRandom random = new SecureRandom();

    KeyRing(@Value("${clerk.credential-keys}") Path file) {
        this.file = file;
    }

    /** A sealed text. */
    record Sealed(int key, byte[] nonce, byte[] text) {
    }

    /** @param about what the text belongs to; it opens for nothing else */
    Sealed seal(String text, String about) {
        TreeMap<Integer, byte[]> keys = keys();
        byte[] nonce = new byte[NONCE_BYTES];
        random.nextBytes(nonce);
        return new Sealed(keys.lastKey(), nonce, crypt(Cipher.ENCRYPT_MODE, keys.lastEntry().getValue(), nonce, about,
                text.getBytes(StandardCharsets.UTF_8)));
    }

    /** @throws Unusable when the key is not in the file, or something was changed */
    String open(Sealed sealed, String about) {
        byte[] key = keys().get(sealed.key());
        if (key == null) {
            throw Unusable.conflict("The key that sealed this is not on this machine. Bring back the file of keys.");
        }
        return new String(crypt(Cipher.DECRYPT_MODE, key, sealed.nonce(), about, sealed.text()), StandardCharsets.UTF_8);
    }

    /** The same for the same text, and telling nothing of it without the key. */
    byte[] print(String text) {
        try {
            Mac mac = Mac.getInstance("HmacSHA256");
            mac.init(new SecretKeySpec(keys().get(PRINTING), "HmacSHA256"));
            return mac.doFinal(text.getBytes(StandardCharsets.UTF_8));
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("Impossible state: every Java platform has HMAC with SHA-256.", e);
        }
    }

    /** Adds a key that seals from now on; older ones still open. */
    synchronized int renew() {
        TreeMap<Integer, byte[]> keys = keys();
        keys.put(keys.lastKey() + 1, fresh());
        write(keys);
        return keys.lastKey();
    }

    private static byte[] crypt(int mode, byte[] key, byte[] nonce, String about, byte[] text) {
        try {
            Cipher cipher = Cipher.getInstance("AES/GCM/NoPadding");
            cipher.init(mode, new SecretKeySpec(key, "AES"), new GCMParameterSpec(TAG_BITS, nonce));
            cipher.updateAAD(about.getBytes(StandardCharsets.UTF_8));
            return cipher.doFinal(text);
        } catch (javax.crypto.AEADBadTagException e) {
            throw Unusable.conflict("This was sealed for something else, or it was changed since. It is not shown.");
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("Impossible state: every Java platform has AES with GCM.", e);
        }
    }

    private synchronized TreeMap<Integer, byte[]> keys() {
        try {
            if (!Files.exists(file)) {
                write(new TreeMap<>(Map.of(PRINTING, fresh(), 1, fresh())));
            }
            TreeMap<Integer, byte[]> keys = new TreeMap<>();
            for (String line : Files.readAllLines(file)) {
                String[] parts = line.split(" ");
                keys.put(Integer.parseInt(parts[0]), Base64.getDecoder().decode(parts[1]));
            }
            if (keys.size() < 2 || !keys.containsKey(PRINTING) || keys.values().stream().anyMatch(key -> key.length != KEY_BYTES)) {
                throw new IllegalArgumentException("it is incomplete");
            }
            return keys;
        } catch (IOException e) {
            throw new UncheckedIOException("The file of keys cannot be read.", e);
        } catch (IllegalArgumentException | ArrayIndexOutOfBoundsException e) {
            throw Unusable.conflict("The file of keys is damaged. Bring back a copy of it; nothing was changed.");
        }
    }

    private byte[] fresh() {
        byte[] key = new byte[KEY_BYTES];
        random.nextBytes(key);
        return key;
    }

    /** Whole or not at all: a new file takes the place of the old one. */
    private void write(TreeMap<Integer, byte[]> keys) {
        try {
            Files.createDirectories(file.toAbsolutePath().getParent());
            Path next = file.resolveSibling(file.getFileName() + ".next");
            try {
                Files.createFile(next, PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------")));
            } catch (FileAlreadyExistsException e) {
                // Left by a start that was cut off: it was never put in place.
                Files.setPosixFilePermissions(next, PosixFilePermissions.fromString("rw-------"));
            }
            Files.write(next, keys.entrySet().stream().map(e -> e.getKey() + " " + Base64.getEncoder().encodeToString(e.getValue())).toList());
            Files.move(next, file, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        } catch (IOException e) {
            throw new UncheckedIOException("The file of keys cannot be written.", e);
        }
    }
}

package org.hiddenclerk.app.platform.secrets;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.GeneralSecurityException;
import java.security.SecureRandom;
import java.util.Base64;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import javax.crypto.Cipher;
import javax.crypto.Mac;
import javax.crypto.spec.GCMParameterSpec;
import javax.crypto.spec.SecretKeySpec;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * Keys that wrap the keys of secrets, beside the database and never in it: in a file, a line for each with a number and 256 bits in
 * base 64, or the same in the environment with commas between. Every secret has a key of its own, which the highest number wraps. Line
 * 0 makes prints by which equal secrets are told without opening them; it is never changed.
 */
@Component
public class KeyRing {
    private static final int KEY_BYTES = 32;
    private static final int TAG_BITS = 128;
    private static final int PRINTING = 0;
    private static final String WRAPPING = "the key of ";

    private final Path file;
    private final String given;
    private final SecureRandom random = new SecureRandom();

    /**
     * @param file  where the keys are kept; made at the first secret
     * @param given the keys themselves; where there are any, the file is not looked at
     */
    KeyRing(@Value("${clerk.credential-keys}") Path file, @Value("${clerk.credential-key-text:}") String given) {
        this.file = file;
        this.given = given.strip();
    }

    /** @param about what the text belongs to; it opens for nothing else */
    public Sealed seal(String text, String about) {
        byte[] key = fresh();
        byte[] nonce = nonce();
        TreeMap<Integer, byte[]> keys = keys();
        return new Sealed(
                keys.lastKey(),
                wrap(key, keys),
                nonce,
                crypt(Cipher.ENCRYPT_MODE, key, nonce, about, text.getBytes(StandardCharsets.UTF_8)));
    }

    /** @throws ProblemException when the key is not in the ring, or something was changed */
    public String open(Sealed sealed, String about) {
        byte[] key = sealed.dataKey().length == 0 ? ringKey(sealed.key()) : unwrap(sealed);
        return new String(
                crypt(Cipher.DECRYPT_MODE, key, sealed.nonce(), about, sealed.text()), StandardCharsets.UTF_8);
    }

    /** The same text; its key is wrapped with the ring's newest. What the ring itself sealed at first stays as it is. */
    Sealed wrapAnew(Sealed sealed) {
        TreeMap<Integer, byte[]> keys = keys();
        return sealed.dataKey().length == 0
                ? sealed
                : new Sealed(keys.lastKey(), wrap(unwrap(sealed), keys), sealed.nonce(), sealed.text());
    }

    /** The same for the same text, and telling nothing of it without the key. */
    public byte[] print(String text) {
        try {
            Mac mac = Mac.getInstance("HmacSHA256");
            mac.init(new SecretKeySpec(keys().get(PRINTING), "HmacSHA256"));
            return mac.doFinal(text.getBytes(StandardCharsets.UTF_8));
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("Impossible state: every Java platform has HMAC with SHA-256.", e);
        }
    }

    /** Adds a key that wraps from now on; older ones still open. */
    synchronized int renew() {
        if (!given.isEmpty()) {
            throw ProblemException.conflict(
                    "The keys come from the environment. Add a line with the next number there and start again; then renew.");
        }
        TreeMap<Integer, byte[]> keys = keys();
        keys.put(keys.lastKey() + 1, fresh());
        write(keys);
        return keys.lastKey();
    }

    private byte[] wrap(byte[] key, TreeMap<Integer, byte[]> keys) {
        byte[] nonce = nonce();
        byte[] wrapped = crypt(Cipher.ENCRYPT_MODE, keys.lastEntry().getValue(), nonce, WRAPPING + keys.lastKey(), key);
        return ByteBuffer.allocate(nonce.length + wrapped.length)
                .put(nonce)
                .put(wrapped)
                .array();
    }

    private byte[] unwrap(Sealed sealed) {
        ByteBuffer buffer = ByteBuffer.wrap(sealed.dataKey());
        byte[] nonce = new byte[Sealed.NONCE_BYTES];
        buffer.get(nonce);
        byte[] wrapped = new byte[buffer.remaining()];
        buffer.get(wrapped);
        return crypt(Cipher.DECRYPT_MODE, ringKey(sealed.key()), nonce, WRAPPING + sealed.key(), wrapped);
    }

    private byte[] ringKey(int number) {
        byte[] key = keys().get(number);
        if (key == null) {
            throw ProblemException.conflict(
                    "The key that sealed this is not on this machine. Bring back the file of keys.");
        }
        return key;
    }

    private static byte[] crypt(int mode, byte[] key, byte[] nonce, String about, byte[] text) {
        try {
            Cipher cipher = Cipher.getInstance("AES/GCM/NoPadding");
            cipher.init(mode, new SecretKeySpec(key, "AES"), new GCMParameterSpec(TAG_BITS, nonce));
            cipher.updateAAD(about.getBytes(StandardCharsets.UTF_8));
            return cipher.doFinal(text);
        } catch (javax.crypto.AEADBadTagException e) {
            throw ProblemException.conflict(
                    "This was sealed for something else, or it was changed since. It is not shown.");
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("Impossible state: every Java platform has AES with GCM.", e);
        }
    }

    private synchronized TreeMap<Integer, byte[]> keys() {
        try {
            if (!given.isEmpty()) {
                return read(List.of(given.split("[,\n]")));
            }
            if (!Files.exists(file)) {
                write(new TreeMap<>(Map.of(PRINTING, fresh(), 1, fresh())));
            }
            return read(Files.readAllLines(file));
        } catch (IOException e) {
            throw new UncheckedIOException("The file of keys cannot be read.", e);
        } catch (IllegalArgumentException | ArrayIndexOutOfBoundsException e) {
            throw ProblemException.conflict("The keys are damaged. Bring back a copy of them; nothing was changed.");
        }
    }

    private static TreeMap<Integer, byte[]> read(List<String> lines) {
        TreeMap<Integer, byte[]> keys = new TreeMap<>();
        for (String line : lines) {
            String[] parts = line.strip().split(" ");
            keys.put(Integer.parseInt(parts[0]), Base64.getDecoder().decode(parts[1]));
        }
        if (keys.size() < 2
                || !keys.containsKey(PRINTING)
                || keys.values().stream().anyMatch(key -> key.length != KEY_BYTES)) {
            throw new IllegalArgumentException("it is incomplete");
        }
        return keys;
    }

    private byte[] nonce() {
        byte[] nonce = new byte[Sealed.NONCE_BYTES];
        random.nextBytes(nonce);
        return nonce;
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
                Files.createFile(
                        next, PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------")));
            } catch (FileAlreadyExistsException e) {
                // Left by a start that was cut off: it was never put in place.
                Files.setPosixFilePermissions(next, PosixFilePermissions.fromString("rw-------"));
            }
            Files.write(
                    next,
                    keys.entrySet().stream()
                            .map(e -> e.getKey() + " " + Base64.getEncoder().encodeToString(e.getValue()))
                            .toList());
            Files.move(next, file, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        } catch (IOException e) {
            throw new UncheckedIOException("The file of keys cannot be written.", e);
        }
    }
}

package org.hiddenclerk.app.platform.secrets;

import java.nio.ByteBuffer;

/**
 * A sealed text.
 *
 * @param key     number of the ring's key that wraps
 * @param dataKey the key of this one text, wrapped: a nonce of 12 bytes, then the key; empty where the ring's key
 *                itself sealed, as it did at first
 * @param nonce   12 bytes
 * @param text    sealed with AES-256 in GCM, its tag of 16 bytes at the end
 */
public record Sealed(int key, byte[] dataKey, byte[] nonce, byte[] text) {
    static final int NONCE_BYTES = 12;

    /** In one piece. */
    public byte[] bytes() {
        return ByteBuffer.allocate(Integer.BYTES + 1 + dataKey.length + NONCE_BYTES + text.length)
                .putInt(key)
                .put((byte) dataKey.length)
                .put(dataKey)
                .put(nonce)
                .put(text)
                .array();
    }

    public static Sealed of(byte[] bytes) {
        ByteBuffer buffer = ByteBuffer.wrap(bytes);
        int key = buffer.getInt();
        byte[] dataKey = new byte[buffer.get()];
        buffer.get(dataKey);
        byte[] nonce = new byte[NONCE_BYTES];
        buffer.get(nonce);
        byte[] text = new byte[buffer.remaining()];
        buffer.get(text);
        return new Sealed(key, dataKey, nonce, text);
    }
}

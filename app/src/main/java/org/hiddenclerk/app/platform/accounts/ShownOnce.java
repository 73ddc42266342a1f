package org.hiddenclerk.app.platform.accounts;

import java.time.Instant;
import java.util.UUID;

/** A text that opens something, shown when it is made and not to be had again. */
record ShownOnce(UUID id, String text, Instant expiresAt) {}

package org.hiddenclerk.app.platform.nodes;

import java.util.HexFormat;
import java.util.concurrent.ThreadLocalRandom;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** This process among those that work on one database. */
@Component
public class Node {
    private final String name;

    /** @param given by whoever runs it; otherwise something that no other has */
    Node(@Value("${clerk.node:}") String given) {
        this.name = given.isBlank()
                ? "node-"
                        + HexFormat.of().toHexDigits(ThreadLocalRandom.current().nextLong(), 6)
                : given;
    }

    public String name() {
        return name;
    }
}

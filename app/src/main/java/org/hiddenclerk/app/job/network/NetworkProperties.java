package org.hiddenclerk.app.job.network;

import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.boot.context.properties.bind.DefaultValue;

/**
 * How the networks of houses are reached.
 *
 * @param brokerUrl      of a broker of one's own, {@code tcp://host:port}; empty for the one inside
 * @param brokerPort     of the broker inside, on loopback; 0 takes one that is free
 * @param patienceMillis how long an answer may take
 * @param hurry          how many times faster than in life the stand-ins do things
 */
@ConfigurationProperties("clerk.network")
public record NetworkProperties(
        @DefaultValue("") String brokerUrl,
        @DefaultValue("") String brokerUser,
        @DefaultValue("") String brokerPassword,
        @DefaultValue("0") int brokerPort,
        @DefaultValue("4000") int patienceMillis,
        @DefaultValue("20") int hurry) {
    boolean hasOwnBroker() {
        return !brokerUrl.isBlank();
    }
}

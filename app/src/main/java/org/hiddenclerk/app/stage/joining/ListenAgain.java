package org.hiddenclerk.app.stage.joining;

import org.hiddenclerk.app.job.network.Networks;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Listens to every network that has members on record from the start on, so that a wall switch moved before anybody asks is heard. */
@Component
class ListenAgain {
    private static final Logger LOG = LoggerFactory.getLogger(ListenAgain.class);

    private final JoinedDeviceRepository devices;
    private final Networks networks;

    ListenAgain(JoinedDeviceRepository devices, Networks networks) {
        this.devices = devices;
        this.networks = networks;
    }

    @EventListener(ApplicationReadyEvent.class)
    void listen() {
        devices.networks().stream()
                .filter(network -> networks.isThere(network.job()))
                .forEach(network -> {
                    try {
                        networks.of(network.job(), network.protocol());
                    } catch (ProblemException e) {
                        LOG.info(
                                "The {} network of a house is not heard yet: {}",
                                network.protocol().label(),
                                e.getMessage());
                    }
                });
    }
}

package org.hiddenclerk.core.joining;

import java.util.Optional;
import java.util.function.Consumer;
import org.hiddenclerk.core.catalogue.Protocol;

/** The way to the modules of one protocol: a coordinator, a controller, a commissioner, or the modules themselves. */
public interface Gateway {
    Protocol protocol();

    /** @return what is answered; empty where nothing came in the time that an answer may take */
    Optional<Answer> ask(Order order);

    /** Tells whatever is heard from now on, in the order in which it was heard. */
    void listen(Consumer<GatewayEvent> ear);
}

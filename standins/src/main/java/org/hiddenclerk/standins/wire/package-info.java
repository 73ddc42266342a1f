/**
 * How orders, answers and what is heard travel: as JSON, over MQTT or HTTP. {@link org.hiddenclerk.standins.wire.Wire} is used at
 * both ends; docs/formats/gateway.md describes it for gateways that others build.
 */
@NullMarked
package org.hiddenclerk.standins.wire;

import org.jspecify.annotations.NullMarked;

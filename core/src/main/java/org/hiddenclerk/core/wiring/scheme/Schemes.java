package org.hiddenclerk.core.wiring.scheme;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;

/** Every scheme by its code. */
public final class Schemes {
    private static final Map<SchemeCode, Scheme> BY_CODE = List.of(
                    new BehindSwitchWithNeutral(SchemeCode.BEHIND_SWITCH_N),
                    new BehindSwitchWithoutNeutral(),
                    new FourChannel(),
                    new HeavyDuty(),
                    new BlindPair(),
                    new OneModuleForSeveral(),
                    new SecondUnloaded(),
                    new AtLamp(),
                    new AtLampBlink(),
                    new SplitPair(),
                    new AtJunction(),
                    new CanopyFanLight(),
                    new SocketAhead(),
                    new VoltFree(),
                    new DirectCurrent(),
                    new NoSwitch(),
                    new SwitchUpstream(),
                    new OnFreeChannel())
            .stream()
            .collect(Collectors.toMap(Scheme::code, Function.identity()));

    private Schemes() {}

    public static Scheme of(SchemeCode code) {
        return Optional.ofNullable(BY_CODE.get(code))
                .orElseThrow(() -> new IllegalStateException(
                        "The scheme " + code + " is named and not built: it must stand in the list of schemes."));
    }
}

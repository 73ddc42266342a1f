package org.hiddenclerk.app.platform.secrets;

import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Gives the ring a new key and wraps every secret with it. The old key stays in the file: what was copied elsewhere still opens. */
@Service
public class Renewal {
    private final KeyRing keys;
    private final List<KeepsSecrets> keepers;

    Renewal(KeyRing keys, List<KeepsSecrets> keepers) {
        this.keys = keys;
        this.keepers = keepers;
    }

    /** @return how many secrets were wrapped anew, all or none */
    @Transactional
    public int renew() {
        keys.renew();
        return keepers.stream()
                .mapToInt(keeper -> keeper.wrapAnew(keys::wrapAnew))
                .sum();
    }
}

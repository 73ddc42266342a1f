package org.hiddenclerk.core.job.sketch;

import java.util.List;
import org.hiddenclerk.core.job.LoadBank;

/** What the circuit feeds: its name, what was typed, and what that means. */
public record SketchedLoad(String name, String typed, List<LoadBank> banks) {
    public SketchedLoad {
        banks = List.copyOf(banks);
    }
}

package org.hiddenclerk.app.stage.stock;

import com.fasterxml.jackson.annotation.JsonView;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import org.hiddenclerk.app.platform.access.Prices;
import org.hiddenclerk.app.platform.web.MayBeAbsent;
import org.hiddenclerk.core.job.CoreColour;

/**
 * Something beside modules that goes into a wall.
 *
 * @param ports    conductors that a connector takes
 * @param watts    of a bypass
 * @param spacerMm what a spacer adds to the depth
 * @param pieces   in a pack, whose price is the one stated; absent where it is bought singly, or by the metre
 */
public record AccessoryDocument(
        @NotBlank @Size(max = 40) String code,
        @NotNull Kind kind,
        @NotBlank @Size(max = 120) String name,
        @JsonView(Prices.class) @MayBeAbsent @Min(0) @Max(1_000_000) Integer priceCents,
        @MayBeAbsent @Size(max = 80) String supplier,
        @MayBeAbsent @Min(1) @Max(24) Integer ports,
        @MayBeAbsent @DecimalMin("0.2") @DecimalMax("35") BigDecimal maxMm2,
        @MayBeAbsent @Min(1) @Max(500) Integer watts,
        @MayBeAbsent @Min(1) @Max(200) Integer spacerMm,
        @MayBeAbsent CoreColour colour,
        @MayBeAbsent @DecimalMin("0.2") @DecimalMax("35") BigDecimal mm2,
        @MayBeAbsent @Min(2) @Max(10_000) Integer pieces) {

    /** Kinds of accessories. */
    public enum Kind {
        CONNECTOR,
        TERMINAL_BLOCK,
        BYPASS,
        CAP,
        SLEEVE,
        MECHANISM,
        BLANK_PLATE,
        SWITCH_GUARD,
        SPACER,
        LABEL,
        WIRE,
        CONTACTOR
    }
}

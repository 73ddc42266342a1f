package org.hiddenclerk.core.wiring.drawing;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.hiddenclerk.core.job.Leads;
import org.hiddenclerk.core.job.Role;
import org.hiddenclerk.core.quantity.Watts;
import org.hiddenclerk.core.wiring.WiringPlan;
import org.hiddenclerk.core.wiring.drawing.BoxDrawing.CableSymbol;
import org.hiddenclerk.core.wiring.drawing.BoxDrawing.Frame;
import org.hiddenclerk.core.wiring.drawing.BoxDrawing.Point;
import org.hiddenclerk.core.wiring.drawing.BoxDrawing.Trunk;
import org.hiddenclerk.core.wiring.run.BoxWiring;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes.Place;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes.Span;
import org.hiddenclerk.core.wiring.run.HouseContext;
import org.hiddenclerk.core.wiring.run.RunWiring;

/**
 * Sets the boxes of a run one below the other, so that they can be read on a sheet of paper and on a phone: first the one that
 * the feed enters, below it what hangs on it. A cable leaves its box to the right, runs down a gutter on a track of its own,
 * crosses above the box that it goes to and enters it from the left.
 */
final class RunLayout {
    private static final int GUTTER = 20;
    private static final int TRACK = 14;
    /** Between two boxes, where cables cross over. */
    private static final int ROW_GAP = 30;

    private final WiringPlan plan;
    private final RunWiring wiring;
    private final HouseContext house;
    private final List<Place> shown;
    private final Map<Place, Integer> depth = new LinkedHashMap<>();
    private final Map<Place, List<Place>> children = new LinkedHashMap<>();
    private final Map<Place, BoxDrawing> drawn = new LinkedHashMap<>();

    RunLayout(WiringPlan plan, boolean planned, HouseContext house) {
        this.plan = plan;
        this.house = house;
        wiring = planned ? plan.planned().orElseThrow() : plan.found();
        List<Place> work = plan.placesOfWork();
        shown = plan.run().places().stream()
                .filter(place -> !place.implied() || work.contains(place))
                .toList();
        arrange();
    }

    BoxDrawing drawing() {
        List<Place> rows = new ArrayList<>();
        inOrder(root(), rows);
        int left = rows.size() > 1 ? GUTTER + TRACK : 0;
        int y = 0;
        Map<Place, Integer> top = new LinkedHashMap<>();
        for (Place place : rows) {
            BoxDrawing own = drawing(place);
            drawn.put(place, own.shifted(left, y));
            top.put(place, y);
            y += own.height() + (rows.size() > 1 ? ROW_GAP : 0);
        }
        return joined(y, top);
    }

    /** A box, then all that hangs on it. */
    private void inOrder(Place place, List<Place> rows) {
        rows.add(place);
        children.getOrDefault(place, List.of()).forEach(child -> inOrder(child, rows));
    }

    private Place root() {
        return shown.stream().filter(this::isFed).findFirst().orElse(plan.run().lead());
    }

    private boolean isFed(Place place) {
        return place.box().cables().stream()
                .anyMatch(cable -> cable.leads() instanceof Leads.FromSupply
                        && cable.cores().stream()
                                .anyMatch(core -> core.role() == Role.PERMANENT_LIVE || core.role() == Role.ELV_PLUS));
    }

    private void arrange() {
        Deque<Place> open = new ArrayDeque<>(List.of(root()));
        depth.put(root(), 0);
        while (!open.isEmpty()) {
            Place at = open.remove();
            for (Span span : spansOf(at)) {
                Place next = span.farFrom(at);
                if (!depth.containsKey(next)) {
                    depth.put(next, depth.get(at) + 1);
                    children.computeIfAbsent(at, p -> new ArrayList<>()).add(next);
                    open.add(next);
                }
            }
        }
    }

    private List<Span> spansOf(Place place) {
        return plan.run().spans().stream()
                .filter(span -> span.joins(place) && shown.contains(span.farFrom(place)))
                .toList();
    }

    private BoxDrawing drawing(Place place) {
        Set<String> toLeft = new LinkedHashSet<>();
        Set<String> inDrawing = new LinkedHashSet<>();
        for (Span span : spansOf(place)) {
            inDrawing.add(span.at(place).name());
            if (depth.get(span.farFrom(place)) < depth.get(place)) {
                toLeft.add(span.at(place).name());
            }
        }
        BoxWiring other = wiring == plan.found()
                ? plan.planned().map(p -> p.at(place)).orElse(wiring.at(place))
                : plan.found().at(place);
        return new BoxLayout(
                        plan.run(),
                        place,
                        wiring.at(place),
                        other,
                        house,
                        toLeft,
                        inDrawing,
                        depth.size() > 1 ? place.label() : "",
                        bypassesListedAt(place))
                .drawing();
    }

    private Map<Integer, Watts> bypassesListedAt(Place place) {
        Map<Integer, Watts> bypasses = new LinkedHashMap<>();
        wiring.boxes().forEach((at, box) -> {
            if (at.owner().equals(place.owner())) {
                bypasses.putAll(box.bypasses());
            }
        });
        return bypasses;
    }

    private List<Span> spansShown() {
        return plan.run().spans().stream()
                .filter(span -> depth.containsKey(span.a()) && depth.containsKey(span.b()))
                .toList();
    }

    private BoxDrawing joined(int height, Map<Place, Integer> top) {
        List<BoxDrawing> parts = List.copyOf(drawn.values());
        int inner = parts.stream().mapToInt(BoxDrawing::width).max().orElse(0);
        List<Trunk> trunks = trunks(inner, top);
        int width = inner + (trunks.isEmpty() ? 0 : GUTTER + TRACK * trunks.size());
        return new BoxDrawing(
                width,
                height,
                parts.stream().flatMap(d -> d.boxes().stream()).toList(),
                parts.stream().flatMap(d -> d.devices().stream()).toList(),
                parts.stream().flatMap(d -> d.cables().stream()).toList(),
                parts.stream().flatMap(d -> d.wires().stream()).toList(),
                parts.stream().flatMap(d -> d.loads().stream()).toList(),
                trunks);
    }

    private List<Trunk> trunks(int inner, Map<Place, Integer> top) {
        List<Trunk> trunks = new ArrayList<>();
        Map<Place, Integer> entering = new LinkedHashMap<>();
        for (Span span : spansShown()) {
            boolean forward = depth.get(span.a()) <= depth.get(span.b());
            Place upper = forward ? span.a() : span.b();
            Place lower = span.farFrom(upper);
            Optional<CableSymbol> from = sheath(upper, span.at(upper).name());
            Optional<CableSymbol> to = sheath(lower, span.at(lower).name());
            if (from.isPresent() && to.isPresent()) {
                int down = inner + GUTTER / 2 + TRACK * trunks.size();
                int nth = entering.merge(lower, 1, Integer::sum) - 1;
                int across = top.get(lower) - ROW_GAP / 2 + nth * TRACK;
                int side = GUTTER / 2 + nth * TRACK / 2;
                Point start = outerEnd(from.get());
                Point end = outerEnd(to.get());
                trunks.add(new Trunk(
                        span.a().prefix() + span.atA().name(),
                        List.of(
                                start,
                                new Point(down, start.y()),
                                new Point(down, across),
                                new Point(side, across),
                                new Point(side, end.y()),
                                end)));
            }
        }
        return trunks;
    }

    private Optional<CableSymbol> sheath(Place place, String cable) {
        return drawn.get(place).cables().stream()
                .filter(symbol -> symbol.name().equals(cable))
                .findFirst();
    }

    private static Point outerEnd(CableSymbol symbol) {
        Frame frame = symbol.frame();
        return new Point(symbol.left() ? frame.x() : frame.x() + frame.width(), frame.y() + frame.height() / 2);
    }
}

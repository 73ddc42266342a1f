package org.hiddenclerk.core.naming;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.Size;
import net.jqwik.api.constraints.StringLength;
import org.hiddenclerk.core.identity.DeviceId;
import org.hiddenclerk.core.naming.Convention.Place;
import org.hiddenclerk.core.naming.Convention.Token;
import org.hiddenclerk.core.naming.Names.Renaming;
import org.junit.jupiter.api.Test;

/** Names are unique and legal whatever places are called, and change without ever standing twice. */
class NamesTest {
    private static final DeviceId FIRST = new DeviceId("1");
    private static final DeviceId SECOND = new DeviceId("2");
    private static final DeviceId THIRD = new DeviceId("3");

    private static Place place(String id, String room, String what) {
        return new Place(new DeviceId(id), "Ground floor", room, "B-" + id, what, 1, "relay");
    }

    private static DeviceName only(Place place, Token... tokens) {
        return Names.of(List.of(place), new Convention(List.of(tokens)), Map.of())
                .get(place.id());
    }

    @Test
    void tokensInTheirOrder() {
        assertThat(only(place("1", "Wash-house", "Extract fan"), Token.ROOM, Token.WHAT))
                .isEqualTo(new DeviceName("Wash-house Extract fan", "wash-house-extract-fan"));
        assertThat(only(place("1", "Küche", "Straßenlampe"), Token.WHAT, Token.BOX, Token.CHANNEL))
                .isEqualTo(new DeviceName("Straßenlampe B-1 1", "strassenlampe-b-1-1"));
        assertThat(only(place("1", "Porch", "Porch lamp"), Token.ROOM, Token.WHAT)
                        .display())
                .isEqualTo("Porch lamp");
        assertThat(only(place("1", "Glass passage", "passage bank"), Token.ROOM, Token.WHAT)
                        .display())
                .isEqualTo("Glass passage bank");
    }

    @Test
    void whatIsTooLongIsCutBehindAWord() {
        DeviceName name =
                only(place("1", "The long gallery above the coach house", "picture lights"), Token.ROOM, Token.WHAT);
        assertThat(name.display()).isEqualTo("The long gallery above the coach");
        assertThat(name.handle()).isEqualTo("the-long-gallery-above-the-coach-house-picture-lights");
    }

    @Test
    void equalOnesGetANumberAndThoseThatStandKeepTheirs() {
        Place first = place("1", "Hall", "Lamp");
        Place second = place("2", "Hall", "lamp");
        Map<DeviceId, DeviceName> names = Names.of(List.of(first, second), Convention.USUAL, Map.of());
        assertThat(names.get(SECOND)).isEqualTo(new DeviceName("Hall lamp 2", "hall-lamp-2"));

        Map<DeviceId, DeviceName> kept =
                Names.of(List.of(first, second), Convention.USUAL, Map.of(SECOND, names.get(FIRST)));
        assertThat(kept.get(SECOND)).isEqualTo(names.get(FIRST));
        assertThat(kept.get(FIRST).display()).isEqualTo("Hall Lamp 2");
    }

    /** Also after an import, where kept names may say anything, even the same twice. */
    @Property(tries = 500)
    void neverTwoAlikeAndAlwaysLegal(
            @ForAll @Size(max = 12) List<@StringLength(max = 40) String> whats,
            @ForAll @StringLength(max = 50) String room,
            @ForAll Set<Token> tokens,
            @ForAll boolean keptAlike) {
        List<Place> places = new ArrayList<>();
        for (int i = 0; i < whats.size(); i++) {
            places.add(place(String.valueOf(i), room, whats.get(i)));
        }
        Map<DeviceId, DeviceName> kept = new HashMap<>();
        places.stream().filter(p -> keptAlike).forEach(p -> kept.put(p.id(), new DeviceName("Lamp", "lamp")));

        Map<DeviceId, DeviceName> names =
                Names.of(places, tokens.isEmpty() ? Convention.USUAL : new Convention(List.copyOf(tokens)), kept);

        assertThat(names).hasSize(places.size());
        assertThat(names.values())
                .extracting(DeviceName::handle)
                .doesNotHaveDuplicates()
                .allMatch(DeviceName::isHandle);
        assertThat(names.values()).extracting(DeviceName::key).doesNotHaveDuplicates();
    }

    @Test
    void namesThatGoRoundChangeWithoutStandingTwice() {
        DeviceName a = new DeviceName("A", "a");
        DeviceName b = new DeviceName("B", "b");
        DeviceName c = new DeviceName("C", "c");
        Map<DeviceId, DeviceName> before = new LinkedHashMap<>(Map.of(FIRST, a, SECOND, b, THIRD, c));
        List<Renaming> steps =
                Names.inOrder(Names.renamings(before, Map.of(FIRST, b, SECOND, a, THIRD, new DeviceName("D", "d"))));

        Map<DeviceId, DeviceName> now = new HashMap<>(before);
        for (Renaming step : steps) {
            assertThat(now.get(step.place())).isEqualTo(step.from());
            now.put(step.place(), step.to());
            assertThat(new HashSet<>(now.values())).hasSize(3);
        }
        assertThat(now).containsEntry(FIRST, b).containsEntry(SECOND, a).containsEntry(THIRD, new DeviceName("D", "d"));
    }
}

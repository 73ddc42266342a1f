package org.hiddenclerk.core.joining;

import java.util.List;
import java.util.Map;

/** What a gateway answers. */
public sealed interface Answer {
    record Done() implements Answer {}

    record Members(List<Member> members) implements Answer {
        public Members {
            members = List.copyOf(members);
        }
    }

    record Settings(Map<String, String> settings) implements Answer {
        public Settings {
            settings = Map.copyOf(settings);
        }
    }

    /** Not done, with the reason. */
    record Refused(String reason) implements Answer {}
}

package org.hiddenclerk.core.catalogue;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** The stock book: modules by code. */
public final class Catalogue {
    /** Nothing is bought. */
    public static final Catalogue EMPTY = new Catalogue(List.of());

    private final Map<String, ModuleModel> byCode = new LinkedHashMap<>();

    public Catalogue(List<ModuleModel> models) {
        for (ModuleModel model : models) {
            if (byCode.put(model.code(), model) != null) {
                throw new IllegalArgumentException("The code (" + model.code() + ") must be unique in the stock book.");
            }
        }
    }

    public List<ModuleModel> models() {
        return List.copyOf(byCode.values());
    }

    public Optional<ModuleModel> find(String code) {
        return Optional.ofNullable(byCode.get(code));
    }
}

package org.hiddenclerk.app.stage.stock;

import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface StockItemRepository extends JpaRepository<StockItemRow, String> {
    /** Changes with every change of the book. */
    @Query(
            "select concat(count(i), '/', coalesce(sum(i.version), 0), '/', coalesce(max(i.changedAt), '')) from StockItemRow i")
    String revision();
}

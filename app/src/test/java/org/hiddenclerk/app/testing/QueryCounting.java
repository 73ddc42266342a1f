package org.hiddenclerk.app.testing;

import javax.sql.DataSource;
import net.ttddyy.dsproxy.QueryCountHolder;
import net.ttddyy.dsproxy.support.ProxyDataSourceBuilder;
import org.springframework.beans.factory.config.BeanPostProcessor;

/** Counts what is asked of the database on each thread, by whatever way. */
public final class QueryCounting implements BeanPostProcessor {
    @Override
    public Object postProcessAfterInitialization(Object bean, String name) {
        return bean instanceof DataSource source
                ? ProxyDataSourceBuilder.create(source).countQuery().build()
                : bean;
    }

    /** Statements that something takes on this thread. */
    public static long of(Runnable work) {
        QueryCountHolder.clear();
        work.run();
        return QueryCountHolder.getGrandTotal().getTotal();
    }
}

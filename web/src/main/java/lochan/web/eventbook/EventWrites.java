package lochan.web.eventbook;

import static java.util.Objects.requireNonNull;

import java.util.Arrays;
import java.util.concurrent.atomic.AtomicReference;
import org.aopalliance.intercept.MethodInterceptor;
import org.aopalliance.intercept.MethodInvocation;
import org.jspecify.annotations.Nullable;
import org.springframework.aop.ProxyMethodInvocation;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.dao.PessimisticLockingFailureException;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import org.springframework.transaction.support.TransactionTemplate;

/** Runs methods marked {@link EventWrite}. */
final class EventWrites implements MethodInterceptor {

    private static final int TRIES = 4;

    private final ObjectProvider<TransactionTemplate> transactions;
    private final ObjectProvider<EventRepository> events;
    private final ApplicationEventPublisher told;

    EventWrites(
            ObjectProvider<TransactionTemplate> transactions,
            ObjectProvider<EventRepository> events,
            ApplicationEventPublisher told) {
        this.transactions = transactions;
        this.events = events;
        this.told = told;
    }

    @Override
    public @Nullable Object invoke(MethodInvocation invocation) throws Throwable {
        EventKey key = (EventKey) Arrays.stream(invocation.getArguments())
                .filter(EventKey.class::isInstance)
                .findFirst()
                .orElseThrow(() ->
                        new IllegalStateException(invocation.getMethod() + " writes to an event and is given none"));
        boolean outermost = !TransactionSynchronizationManager.isActualTransactionActive();
        for (int tried = 1; ; tried++) {
            try {
                return held(key, invocation);
            } catch (PessimisticLockingFailureException e) {
                if (!outermost || tried == TRIES) {
                    throw e;
                }
            }
        }
    }

    /** An exception ends the transaction: nothing of it is kept. */
    private @Nullable Object held(EventKey key, MethodInvocation invocation) throws Throwable {
        AtomicReference<@Nullable Object> given = new AtomicReference<>();
        try {
            transactions.getObject().executeWithoutResult(t -> {
                Telling telling = new Telling(key, told);
                if (!TransactionSynchronizationManager.getSynchronizations().contains(telling)) {
                    events.getObject().hold(key);
                    TransactionSynchronizationManager.registerSynchronization(telling);
                }
                try {
                    given.set(((ProxyMethodInvocation) invocation)
                            .invocableClone()
                            .proceed());
                } catch (RuntimeException | Error e) {
                    throw e;
                } catch (Throwable e) {
                    throw new Wrapper(e);
                }
            });
        } catch (Wrapper e) {
            throw requireNonNull(e.getCause());
        }
        return given.get();
    }

    /** Tells of the writes of a transaction to an event once they are safe; while it waits the event is held. */
    private record Telling(EventKey key, ApplicationEventPublisher told) implements TransactionSynchronization {

        @Override
        public void afterCommit() {
            told.publishEvent(new EventWritten(key));
        }
    }

    /** A checked exception on its way out of the transaction. */
    private static final class Wrapper extends RuntimeException {

        private static final long serialVersionUID = 1L;

        private Wrapper(Throwable cause) {
            super(cause);
        }
    }
}

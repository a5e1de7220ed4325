package org.ysometron.app.store;

import java.util.ArrayList;
import java.util.List;
import org.springframework.dao.CannotAcquireLockException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/** A step that collides a few times before it goes through. */
@Component
public class Stumbles {

    private final List<Boolean> tries = new ArrayList<>();

    /** Goes through at the try after {@code times}; returns for each try whether it ran in a transaction. */
    @Write
    public List<Boolean> step(int times) {
        tries.add(TransactionSynchronizationManager.isActualTransactionActive());
        if (tries.size() <= times) {
            throw new CannotAcquireLockException("try " + tries.size() + " collides");
        }
        List<Boolean> done = List.copyOf(tries);
        tries.clear();
        return done;
    }

    /** Forgets the tries of a step that never went through; returns how many there were. */
    int forget() {
        int count = tries.size();
        tries.clear();
        return count;
    }
}

package org.ysometron.app.line;

import java.time.Clock;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.ysometron.app.store.Write;
import org.ysometron.app.web.NotFound;
import org.ysometron.app.web.Refusal;

/** The places where instruments are listened to. */
@Component
class Addresses {

    private static final int MOST = 100;

    private final AddressRepository addresses;
    private final Clock clock;

    Addresses(AddressRepository addresses, Clock clock) {
        this.addresses = addresses;
        this.clock = clock;
    }

    /**
     * A place.
     *
     * @param serial the instrument that answered there first; empty before any did
     */
    record Address(long id, String way, String place, String serial) {

        static Address of(AddressRow row) {
            return new Address(row.id, row.way, row.place, row.serial == null ? "" : row.serial);
        }
    }

    @Transactional(readOnly = true)
    List<Address> all() {
        return addresses.findAllByOrderById().stream().map(Address::of).toList();
    }

    @Write
    Address add(String way, String place, String by) {
        if (addresses.findByWayAndPlace(way, place).isPresent()) {
            throw new Refusal("place", "'" + place + "' is listened to already.");
        }
        if (addresses.count() >= MOST) {
            throw new Refusal("place", MOST + " places are the most; take one away first.");
        }
        AddressRow row = new AddressRow();
        row.way = way;
        row.place = place;
        row.addedBy = by;
        row.addedAt = clock.instant();
        return Address.of(addresses.save(row));
    }

    @Write
    void remove(long id) {
        addresses.findById(id).ifPresent(addresses::delete);
    }

    /** Notes who answers at a place; gives who did before where that is another one. */
    @Write
    Optional<String> other(long id, String serial) {
        AddressRow row = find(id);
        if (row.serial == null) {
            row.serial = serial;
        }
        return Optional.of(row.serial).filter(before -> !before.equals(serial));
    }

    @Write
    void exchanged(long id) {
        find(id).serial = null;
    }

    private AddressRow find(long id) {
        return addresses.findById(id).orElseThrow(() -> new NotFound("place " + id));
    }
}

package org.ysometron.app.bench;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.ysometron.app.lot.LotView;
import org.ysometron.app.lot.Lots;
import org.ysometron.app.lot.SpecimenView;
import org.ysometron.app.store.Write;
import org.ysometron.app.web.NotFound;
import org.ysometron.app.web.Reasons;
import org.ysometron.app.web.Refusal;
import org.ysometron.app.web.SentFile;

/** Photographs of specimens: before, and of how they broke. Kept with the specimen; one that does not belong is struck, not removed. */
@Component
public class Pictures {

    private static final int MOST = 300;
    private static final int LONGEST_WORDS = 200;
    private static final double WIDEST = 2_000;

    private final PictureRepository pictures;
    private final Lots lots;
    private final Clock clock;

    Pictures(PictureRepository pictures, Lots lots, Clock clock) {
        this.pictures = pictures;
        this.lots = lots;
        this.clock = clock;
    }

    /**
     * A picture without what is in it.
     *
     * @param across mm from left to right; null where nobody said
     * @param markX where it broke, as a share of the width; null where nobody said
     * @param struckBy who found that it does not belong here; null while it does
     * @param sha256 of the file as it came
     */
    public record PictureView(
            long id,
            long specimenId,
            String label,
            String fileName,
            String shows,
            int width,
            int height,
            @Nullable Double across,
            @Nullable Double markX,
            @Nullable Double markY,
            String by,
            Instant at,
            @Nullable String struckBy,
            String struckReason,
            String sha256) {

        private PictureView labelled(String name) {
            return new PictureView(
                    id,
                    specimenId,
                    name,
                    fileName,
                    shows,
                    width,
                    height,
                    across,
                    markX,
                    markY,
                    by,
                    at,
                    struckBy,
                    struckReason,
                    sha256);
        }

        public boolean isStruck() {
            return struckBy != null;
        }

        /** Height in mm, where its width is known. */
        public double tall() {
            return across == null ? 0 : across * height / width;
        }
    }

    /**
     * A picture that is sent.
     *
     * @param across mm from its left to its right edge; null where nobody knows
     */
    public record Sent(
            String specimen,
            String fileName,
            byte[] file,
            String shows,
            @Nullable Double across) {}

    /** A lot's pictures without what is in them, specimen by specimen. */
    public List<PictureView> of(LotView lot) {
        List<PictureView> found = pictures.ofLot(lot.id());
        Map<Long, String> labels = found.isEmpty()
                ? Map.of()
                : lots.specimens(lot.id()).stream().collect(Collectors.toMap(SpecimenView::id, SpecimenView::label));
        return found.stream()
                .map(picture -> picture.labelled(labels.getOrDefault(picture.specimenId(), "?")))
                .toList();
    }

    PictureView picture(LotView lot, long id) {
        return of(lot).stream()
                .filter(picture -> picture.id() == id)
                .findFirst()
                .orElseThrow(() -> new NotFound("picture " + id + " of lot " + lot.code()));
    }

    @Transactional(readOnly = true)
    public byte[] content(LotView lot, long id, boolean small) {
        Optional<byte[]> found = small ? pictures.thumbnail(id, lot.id()) : pictures.content(id, lot.id());
        return found.orElseThrow(() -> new NotFound("picture " + id + " of lot " + lot.code()));
    }

    /** Keeps a picture; the same one of the same specimen again is the one that is there. */
    @Write
    public long keep(LotView lot, Sent sent, String by) {
        // Drawing takes its time, and nobody waits for it.
        Drawn drawn = Drawn.of(sent.file());
        String sha256 = SentFile.sha256(sent.file());
        lots.lockUndecided(lot.id());
        SpecimenView specimen = lots.specimen(lot, sent.specimen());
        Optional<Long> known = pictures.known(specimen.id(), sha256);
        if (known.isPresent()) {
            return known.get();
        }
        if (pictures.countOf(lot.id()) >= MOST) {
            throw new Refusal("file", "The lot has " + MOST + " pictures, and takes no more.");
        }
        if (sent.shows().strip().length() > LONGEST_WORDS) {
            throw new Refusal("shows", "That is too long; " + LONGEST_WORDS + " characters are the most.");
        }
        if (sent.across() != null && sent.across() > WIDEST) {
            throw new Refusal("across", "That is wider than two metres; expected for example 85 mm.");
        }
        Picture picture = new Picture();
        picture.lotId = lot.id();
        picture.specimenId = specimen.id();
        picture.sha256 = sha256;
        picture.fileName = sent.fileName();
        picture.shows = sent.shows().strip();
        picture.width = drawn.width();
        picture.height = drawn.height();
        picture.across = sent.across();
        picture.content = drawn.content();
        picture.thumbnail = drawn.thumbnail();
        picture.takenInBy = by;
        picture.takenInAt = clock.instant();
        return pictures.save(picture).id;
    }

    /** Says where on the picture it broke, as shares of width and height. */
    @Write
    public void mark(LotView lot, long id, double x, double y) {
        lots.lockUndecided(lot.id());
        if (!(x >= 0 && x <= 1 && y >= 0 && y <= 1)) {
            throw new Refusal("mark", "The mark lies beside the picture; expected two numbers from 0 to 100.");
        }
        Picture picture = find(lot, id);
        picture.markAcross = x;
        picture.markDown = y;
    }

    /** Strikes a picture that belongs to something else: it stays, crossed out, with who said so and why. */
    @Write
    public void strike(LotView lot, long id, String reason, String by) {
        lots.lockUndecided(lot.id());
        Picture picture = find(lot, id);
        if (picture.struckBy != null) {
            throw new Refusal("reason", "This picture is struck already; load the page again.");
        }
        picture.struckReason = Reasons.require("reason", reason, "The reason", 300);
        picture.struckBy = by;
    }

    private Picture find(LotView lot, long id) {
        return pictures.findByIdAndLotId(id, lot.id())
                .orElseThrow(() -> new NotFound("picture " + id + " of lot " + lot.code()));
    }
}

package org.ysometron.app.web;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import org.jspecify.annotations.Nullable;
import org.springframework.web.multipart.MultipartFile;

/** Files that people sent: names that can be stored and shown, and no more content than a table takes. */
public final class SentFile {

    /** Characters that are kept. */
    public static final int LONGEST = 200;

    private SentFile() {}

    /** The name of a file sent with a form. */
    public static String name(MultipartFile file, String otherwise) {
        return plain(file.getOriginalFilename(), otherwise);
    }

    /**
     * What is in a file; refused at its field where it is larger.
     *
     * @param megabytes that may be stored
     */
    public static byte[] content(String field, MultipartFile file, int megabytes) throws IOException {
        if (file.getSize() > (long) megabytes << 20) {
            throw new Refusal(
                    field, "The file is larger than " + megabytes + " MB; nothing was stored. Send a smaller one.");
        }
        return file.getBytes();
    }

    /** SHA-256 of a content, as 64 hexadecimal digits. */
    public static String sha256(byte[] content) {
        try {
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(content));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("every Java has SHA-256", e);
        }
    }

    /** What was pasted, or what is in a file where one was chosen. */
    public static String text(String field, @Nullable MultipartFile file, String pasted, int megabytes)
            throws IOException {
        return file == null || file.isEmpty()
                ? pasted
                : new String(content(field, file, megabytes), StandardCharsets.UTF_8);
    }

    /** A name as it can be stored and shown; of one that is too long the end stays, which tells what sort of file it is. */
    public static String plain(@Nullable String given, String otherwise) {
        String name = given == null ? "" : given;
        name = name.substring(Math.max(name.lastIndexOf('/'), name.lastIndexOf('\\')) + 1);
        name = name.replaceAll("[\\p{Cc}\\p{Cf}\\p{Cs}\\p{Co}\\p{Cn}]", "").strip();
        if (name.isEmpty()) {
            return otherwise;
        }
        return name.length() > LONGEST ? name.substring(name.length() - LONGEST) : name;
    }
}

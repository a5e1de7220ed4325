package org.ysometron.app.bench;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hamcrest.Matchers.allOf;
import static org.hamcrest.Matchers.containsString;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.user;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.content;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.redirectedUrl;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.test.web.servlet.ResultActions;
import org.springframework.test.web.servlet.request.RequestPostProcessor;
import org.ysometron.app.DemoSite;
import org.ysometron.app.lot.LotView;

/** M32, M33: what was photographed belongs to one specimen, and says nothing of where the camera was. */
class PictureTest extends DemoSite {

    private static final RequestPostProcessor BENCH = user("bench").authorities(new SimpleGrantedAuthority("ENTRY"));

    @Autowired
    private Pictures pictures;

    private LotView lot;

    @BeforeEach
    void lot() {
        lot = testLots.lot();
    }

    @AfterEach
    void gone() {
        away(java.util.List.of(lot));
    }

    /** A picture whose left half is red and whose right half is blue. */
    private static byte[] photograph(String type, int width, int height) throws IOException {
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        Graphics2D drawing = image.createGraphics();
        drawing.setColor(Color.RED);
        drawing.fillRect(0, 0, width / 2, height);
        drawing.setColor(Color.BLUE);
        drawing.fillRect(width / 2, 0, width - width / 2, height);
        drawing.dispose();
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(image, type, out);
        return out.toByteArray();
    }

    /**
     * The same with a segment as cameras write it (Exif 2.3: APP1, "Exif", a TIFF head, one directory): held upright, orientation 6,
     * which is a quarter turn to the right, and a place in words.
     */
    private static byte[] fromACamera(byte[] jpeg) throws IOException {
        byte[] place = "N 52 12 E 0 7 here".getBytes(StandardCharsets.US_ASCII);
        ByteArrayOutputStream tiff = new ByteArrayOutputStream();
        tiff.writeBytes(new byte[] {'E', 'x', 'i', 'f', 0, 0, 'M', 'M', 0, 42, 0, 0, 0, 8, 0, 1});
        tiff.writeBytes(new byte[] {1, 0x12, 0, 3, 0, 0, 0, 1, 0, 6, 0, 0, 0, 0, 0, 0});
        tiff.writeBytes(place);
        int length = tiff.size() + 2;
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        out.write(jpeg, 0, 2);
        out.writeBytes(new byte[] {(byte) 0xff, (byte) 0xe1, (byte) (length >> 8), (byte) length});
        out.writeBytes(tiff.toByteArray());
        out.write(jpeg, 2, jpeg.length - 2);
        return out.toByteArray();
    }

    private ResultActions send(byte[] file, String specimen, String across) throws Exception {
        return http.perform(multipart("/lots/" + lot.code() + "/pictures")
                .file(new MockMultipartFile("file", "../IMG 1.jpg", "image/jpeg", file))
                .param("specimen", specimen)
                .param("shows", "layers split")
                .param("across", across)
                .with(BENCH)
                .with(csrf()));
    }

    @Test
    void aPictureIsUprightSmallAndWithoutItsPlace() throws Exception {
        byte[] sent = fromACamera(photograph("jpg", 2400, 1200));
        send(sent, lot.code() + "-xy1", "8.5 cm").andExpect(redirectedUrl("/lots/" + lot.code() + "/pictures"));
        send(sent, "XY1", "").andExpect(status().is3xxRedirection());
        Pictures.PictureView kept = pictures.of(lot).get(0);
        assertThat(pictures.of(lot)).hasSize(1);
        assertThat(kept.label()).isEqualTo("XY1");
        assertThat(kept.across()).isEqualTo(85);
        assertThat(new int[] {kept.width(), kept.height()}).containsExactly(800, 1600);
        assertThat(kept.fileName()).isEqualTo("IMG 1.jpg");
        for (boolean small : new boolean[] {true, false}) {
            byte[] stored = pictures.content(lot, kept.id(), small);
            assertThat(new String(stored, StandardCharsets.ISO_8859_1)).doesNotContain("Exif", "N 52 12");
            BufferedImage image = ImageIO.read(new ByteArrayInputStream(stored));
            assertThat(Math.max(image.getWidth(), image.getHeight())).isEqualTo(small ? 320 : 1600);
            // A quarter turn to the right: what was left is above.
            Color above = new Color(image.getRGB(image.getWidth() / 2, 10));
            Color below = new Color(image.getRGB(image.getWidth() / 2, image.getHeight() - 10));
            assertThat(above.getRed()).isGreaterThan(200);
            assertThat(below.getBlue()).isGreaterThan(200);
        }
        http.perform(get("/lots/" + lot.code() + "/pictures/" + kept.id() + "/small.jpg")
                        .with(BENCH))
                .andExpect(content().contentType("image/jpeg"));
    }

    /** Whatever is no photograph is refused beside the form, with what was typed. */
    @Test
    void whatIsNoPhotographIsRefused() throws Exception {
        byte[] whole = photograph("jpg", 400, 300);
        Object[][] wrong = {
            {new byte[0], "XY1", "", "Choose a picture first"},
            {"<svg/>".getBytes(StandardCharsets.UTF_8), "XY1", "", "no photograph"},
            {photograph("gif", 400, 300), "XY1", "", "expected JPEG or PNG"},
            {Arrays.copyOf(whole, 300), "XY1", "", "damaged"},
            {photograph("png", 20, 300), "XY1", "", "nothing can be seen"},
            {photograph("png", 9000, 7000), "XY1", "", "more than 60 millions"},
            {whole, "XY99", "", "Say which specimen"},
            {whole, "", "", "Say which specimen"},
            {whole, "XY1", "3 N", "is a force, not a length"},
            {whole, "XY1", "3 km", "length"},
        };
        for (Object[] one : wrong) {
            send((byte[]) one[0], (String) one[1], (String) one[2])
                    .andExpect(status().is(422))
                    .andExpect(
                            content().string(allOf(containsString((String) one[3]), containsString("layers split"))));
        }
        assertThat(pictures.of(lot)).isEmpty();
    }

    @Test
    void whereItBrokeIsMarkedAndAMistakeIsStruck() throws Exception {
        send(photograph("png", 400, 300), "XY1", "").andExpect(status().is3xxRedirection());
        String page =
                "/lots/" + lot.code() + "/pictures/" + pictures.of(lot).get(0).id();
        for (String x : new String[] {"120", "-1", "NaN", "left"}) {
            http.perform(post(page + "/mark")
                            .param("x", x)
                            .param("y", "5")
                            .with(BENCH)
                            .with(csrf()))
                    .andExpect(status().is(422));
        }
        http.perform(post(page + "/mark")
                        .param("x", "25")
                        .param("y", "50.5")
                        .with(BENCH)
                        .with(csrf()))
                .andExpect(redirectedUrl(page));
        assertThat(pictures.of(lot).get(0).markX()).isEqualTo(0.25);
        http.perform(get(page).with(BENCH)).andExpect(content().string(containsString("translate(100")));
        http.perform(post(page + "/strike").param("reason", " ").with(BENCH).with(csrf()))
                .andExpect(status().is(422));
        http.perform(post(page + "/strike")
                        .param("reason", "It shows XY2.")
                        .with(BENCH)
                        .with(csrf()))
                .andExpect(status().is3xxRedirection());
        http.perform(get("/lots/" + lot.code() + "/pictures").with(BENCH))
                .andExpect(content().string(containsString("struck by bench: It shows XY2.")));
        http.perform(get("/lots/SK-0130/pictures/" + page.replaceAll(".*/", "")).with(BENCH))
                .andExpect(status().isNotFound());
    }

    /** What was photographed stands in the frozen record and on its page, with its mark; what was struck is said, and not shown. */
    @Test
    void aDecisionShowsItsPictures() throws Exception {
        byte[] file = photograph("png", 400, 300);
        send(file, "XY1", "40 mm");
        send(photograph("png", 500, 300), "XY2", "");
        long marked = pictures.of(lot).get(0).id();
        long wrong = pictures.of(lot).get(1).id();
        pictures.mark(lot, marked, 0.25, 0.5);
        pictures.strike(lot, wrong, "It shows a bar of another lot.", "bench");
        rejected(lot);
        RequestPostProcessor release = user("release").authorities(new SimpleGrantedAuthority("DECISION"));
        http.perform(get("/lots/" + lot.code() + "/certificate").with(release))
                .andExpect(content()
                        .string(allOf(
                                containsString("/pictures/" + marked + "/small.jpg"),
                                containsString("translate(100.0 150.0)"),
                                containsString("A picture of XY2 was struck by bench: It shows a bar of another lot."),
                                org.hamcrest.Matchers.not(containsString("/pictures/" + wrong + "/small.jpg")))));
        http.perform(get("/lots/" + lot.code() + "/record.json").with(release))
                .andExpect(content().string(containsString(org.ysometron.app.web.SentFile.sha256(file))));
        lot = testLots.lot();
    }

    /** Two lots side by side: each picture as wide as what it shows, in the width of the widest. */
    @Test
    void twoLotsStandAtOneScale() throws Exception {
        LotView other = testLots.lot();
        send(photograph("png", 400, 300), "XY1", "40 mm");
        LotView first = lot;
        lot = other;
        send(photograph("png", 800, 300), "XY1", "80 mm");
        http.perform(get("/lots/" + first.code() + "/pictures")
                        .param("beside", other.code())
                        .with(BENCH))
                .andExpect(content()
                        .string(allOf(
                                containsString("viewBox=\"0 0 80.0 30.0\""),
                                containsString("width=\"40.0\" height=\"30.0\""),
                                containsString("width=\"80.0\" height=\"30.0\""))));
        http.perform(get("/lots/" + first.code() + "/pictures")
                        .param("beside", "nope")
                        .with(BENCH))
                .andExpect(content().string(containsString("There is no lot nope")));
        away(java.util.List.of(first));
    }

    @Test
    void aDecidedLotTakesNone() throws Exception {
        away(java.util.List.of(lot));
        send(photograph("png", 400, 300), "XY1", "").andExpect(status().is(422));
        assertThat(pictures.of(lot)).isEmpty();
        lot = testLots.lot();
    }
}

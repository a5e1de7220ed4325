package org.ysometron.core.dimension;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.zip.GZIPOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Files as they come: good ones in every dialect, bad ones refused with their row. */
class DiameterLogFileTest {

    private static final String HEAD = "position [mm],x [mm],y [mm]\n";

    private static List<double[]> read(byte[] bytes) throws IOException {
        List<double[]> rows = new ArrayList<>();
        DiameterLogFile.read(new ByteArrayInputStream(bytes), (z, x, y) -> {
            if (!(x > 0 && y > 0)) {
                throw new IllegalArgumentException("a diameter above zero is needed");
            }
            rows.add(new double[] {z, x, y});
        });
        return rows;
    }

    private static List<double[]> read(String text) throws IOException {
        return read(text.getBytes(StandardCharsets.UTF_8));
    }

    private static byte[] packed(String text) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (GZIPOutputStream gzip = new GZIPOutputStream(out)) {
            gzip.write(text.getBytes(StandardCharsets.UTF_8));
        }
        return out.toByteArray();
    }

    @Test
    void everyDialectGivesTheSameReadings() throws IOException {
        double[] first = {0.5, 1.748, 1.752};
        for (String text : List.of(
                HEAD + "0.5,1.748,1.752\n1,1.75,1.75\n",
                "\uFEFF" + HEAD + "0.5,1.748,1.752\r\n1,1.75,1.75",
                "Position [mm];X [mm];Y [mm]\n0,5;1,748;1,752\n1;1,75;1,75\n",
                "z [mm]\tx [µm]\ty [µm]\n0,5\t1748\t1752\n\n1\t1750\t1750\n",
                "y [mm],note,position [cm],x [mm]\n1.752,ok,0.05,1.748\n1.75,,0.1,1.75\n",
                "\"position [mm]\",\"x [mm]\",\"y [mm]\"\n\"0.5\",\"1.748\",\"1.752\"\n1,1.75,1.75\n")) {
            List<double[]> rows = read(text);
            assertThat(rows).as(text).hasSize(2);
            assertThat(rows.get(0)).as(text).containsExactly(first, org.assertj.core.data.Offset.offset(1e-9));
        }
        assertThat(read(packed(HEAD + "0.5,1.748,1.752\n"))).hasSize(1);
    }

    /** M1: a log without units is refused, as is a unit of something else. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "position,x,y|Row 1, head|names no unit",
                "position [mm],x [N],y [mm]|Row 1, head|no unit of length",
                "a [mm],x [mm],y [mm]|Row 1, head|no column for position",
                "position [mm],x [mm]|Row 1, head|no column for y",
            })
    void aHeadThatIsNotAsItMustBe(String head, String where, String found) {
        assertThatThrownBy(() -> read(head + "\n1,1.75,1.75\n"))
                .isInstanceOf(DiameterLogFile.Unreadable.class)
                .hasMessageContaining(where)
                .hasMessageContaining(found);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "2,NaN,1.75|Row 3, x|'NaN' is not a number",
                "2,1.75,abc|Row 3, y|'abc' is not a number",
                "2,,1.75|Row 3, x|nothing",
                "2,1.75|Row 3, row|2 cells",
                "2,1,75,1,75|Row 3, row|decimal comma",
                "2,-1.75,1.75|Row 3, row|above zero",
            })
    void aRowThatIsNotAsItMustBe(String row, String where, String found) {
        assertThatThrownBy(() -> read(HEAD + "1,1.75,1.75\n" + row + "\n3,1.75,1.75\n"))
                .isInstanceOf(DiameterLogFile.Unreadable.class)
                .hasMessageContaining(where)
                .hasMessageContaining(found);
    }

    @Test
    void positionsThatDoNotRiseAreNamedWithTheirRow() {
        DiameterLog log = new DiameterLog(1.75, 0.05);
        byte[] bytes = (HEAD + "1,1.75,1.75\n3,1.75,1.75\n2,1.75,1.75\n").getBytes(StandardCharsets.UTF_8);
        assertThatThrownBy(() -> DiameterLogFile.read(new ByteArrayInputStream(bytes), log::accept))
                .hasMessageContaining("Row 4")
                .hasMessageContaining("positions must rise");
    }

    @Test
    void aTruncatedGzipIsNamed() throws IOException {
        StringBuilder text = new StringBuilder(HEAD);
        for (int i = 0; i < 20000; i++) {
            text.append(i).append(",1.7").append(i % 97).append(",1.75\n");
        }
        byte[] whole = packed(text.toString());
        assertThatThrownBy(() -> read(Arrays.copyOf(whole, whole.length / 2)))
                .isInstanceOf(DiameterLogFile.Unreadable.class)
                .hasMessageContaining("ends too early")
                .hasMessageMatching("(?s)Row \\d{3,}.*");
    }

    @Test
    void anEmptyFileIsNamed() {
        assertThatThrownBy(() -> read("")).hasMessageContaining("the file is empty");
    }

    /** Two gigabytes of nonsense are refused at their beginning: the rest is never asked for. */
    @Test
    void nonsenseIsRefusedWithoutBeingRead() {
        long[] given = {0};
        InputStream endless = new InputStream() {
            @Override
            public int read() {
                given[0]++;
                return 'x';
            }
        };
        assertThatThrownBy(() -> DiameterLogFile.read(endless, (z, x, y) -> {}))
                .isInstanceOf(DiameterLogFile.Unreadable.class)
                .hasMessageContaining("a first line of over");
        assertThat(given[0]).isLessThan(1 << 20);
    }

    /** A good head with a line without end behind it must not fill the memory either. */
    @Test
    void aLineWithoutEndIsRefused() {
        byte[] head = HEAD.getBytes(StandardCharsets.UTF_8);
        long[] given = {0};
        InputStream endless = new InputStream() {
            @Override
            public int read() {
                return given[0] < head.length ? head[(int) given[0]++] : (int) (given[0]++ * 0 + '7');
            }
        };
        assertThatThrownBy(() -> DiameterLogFile.read(endless, (z, x, y) -> {}))
                .isInstanceOf(DiameterLogFile.Unreadable.class)
                .hasMessageContaining("a cell without end");
        assertThat(given[0]).isLessThan(1 << 24);
    }
}

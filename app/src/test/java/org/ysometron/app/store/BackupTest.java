package org.ysometron.app.store;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.ysometron.app.DemoSite;
import org.ysometron.app.TestDatabase;

/** A site in a file and back: restored into an empty one and compared, refused where something would be lost. */
class BackupTest extends DemoSite {

    @TempDir
    private Path folder;

    private record Run(int code, String said) {}

    private Run run(Path home, String... words) throws IOException, InterruptedException {
        List<String> command = new ArrayList<>(
                List.of(Path.of("..", "ysometron").toAbsolutePath().normalize().toString()));
        command.addAll(List.of(words));
        ProcessBuilder builder = new ProcessBuilder(command).redirectErrorStream(true);
        builder.environment().put("YSOMETRON_HOME", home.toString());
        Process process = builder.start();
        String said = new String(process.getInputStream().readAllBytes());
        return new Run(process.waitFor(), said);
    }

    private static void shell(String command) throws IOException, InterruptedException {
        Process process = new ProcessBuilder("bash", "-c", command).inheritIO().start();
        assertThat(process.waitFor()).as(command).isZero();
    }

    @Test
    void aSiteComesBackAsItWas() throws Exception {
        // The demo of these tests as a backup, then through two sites: what comes out must be what went in.
        Path work = Files.createDirectories(folder.resolve("work"));
        String client =
                "MYSQL_PWD=" + TestDatabase.PASSWORD + " mariadb-dump --no-defaults --protocol=tcp -h 127.0.0.1 -P "
                        + TestDatabase.port() + " -u ysometron --single-transaction --hex-blob --skip-comments"
                        + " --order-by-primary demo";
        shell("cd " + work + " && " + client + " > ysometron.sql && gzip -n ysometron.sql"
                + " && printf 'ysometron backup 1\\nsite demo\\ntaken now\\n' > about"
                + " && sha256sum ysometron.sql.gz about > sums && tar -cf ../first.tar about sums ysometron.sql.gz");
        Path one = folder.resolve("one");
        Run restored = run(one, "restore", folder.resolve("first.tar").toString());
        assertThat(restored.code()).as(restored.said()).isZero();
        Run saved = run(one, "backup", folder.resolve("second.tar").toString());
        assertThat(saved.code()).as(saved.said()).isZero();
        assertThat(run(one, "backup", folder.resolve("second.tar").toString()).said())
                .contains("nothing is overwritten");
        Run again = run(one, "restore", folder.resolve("first.tar").toString());
        assertThat(again.code()).isNotZero();
        assertThat(again.said()).contains("not empty", "Nothing was touched");
        shell("cd " + folder + " && mkdir a b && tar -C a -xf first.tar && tar -C b -xf second.tar"
                + " && diff <(gunzip -c a/ysometron.sql.gz | grep '^INSERT')"
                + " <(gunzip -c b/ysometron.sql.gz | grep '^INSERT')");
        // What only this account may read, and nobody else's way in.
        assertThat(java.nio.file.attribute.PosixFilePermissions.toString(
                        Files.getPosixFilePermissions(one.resolve("site/database/password"))))
                .isEqualTo("rw-------");
        assertThat(java.nio.file.attribute.PosixFilePermissions.toString(
                        Files.getPosixFilePermissions(one.resolve("site/database"))))
                .isEqualTo("rwx------");
    }

    @Test
    void aDamagedBackupIsRefused() throws Exception {
        Path file = folder.resolve("broken.tar");
        Files.writeString(file, "no backup");
        assertThat(run(folder.resolve("home"), "restore", file.toString()).said())
                .contains("no backup of Ysometron");
        assertThat(run(
                                folder.resolve("home"),
                                "restore",
                                folder.resolve("none.tar").toString())
                        .code())
                .isNotZero();
        // Whole as an archive, and a byte of its data is another: its sums tell.
        Path work = Files.createDirectories(folder.resolve("damaged"));
        shell("cd " + work + " && echo 'SELECT 1;' > ysometron.sql && gzip -n ysometron.sql"
                + " && printf 'ysometron backup 1\\nsite site\\ntaken now\\n' > about"
                + " && sha256sum ysometron.sql.gz about > sums && echo 'SELECT 2;' | gzip -n > ysometron.sql.gz"
                + " && tar -cf ../damaged.tar about sums ysometron.sql.gz");
        Run damaged = run(
                folder.resolve("home"), "restore", folder.resolve("damaged.tar").toString());
        assertThat(damaged.code()).isNotZero();
        assertThat(damaged.said()).contains("is damaged", "Nothing was restored");
    }

    /** Data without their marker were once taken for none and removed. Nothing is, that was not made empty. */
    @Test
    void aFolderThatHoldsNoDatabaseIsLeftAlone() throws Exception {
        Path home = folder.resolve("kept");
        Path data = Files.createDirectories(home.resolve("site/database/data"));
        Files.writeString(data.resolve("somebody's"), "do not lose me");
        Run run = run(home, "backup", folder.resolve("x.tar").toString());
        assertThat(run.code()).isNotZero();
        assertThat(run.said()).contains("Nothing was touched");
        assertThat(data.resolve("somebody's")).exists();
    }
}

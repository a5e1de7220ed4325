package org.ysometron.app;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;

/** A MariaDB of the tests' own, on loopback, with a throwaway data directory; started once, stopped with the JVM. */
public final class TestDatabase {

    private TestDatabase() {}

    /** The password of the one account that there is, another in each run. */
    public static final String PASSWORD = java.util.UUID.randomUUID().toString();

    private static final int PORT = start();

    /** Tells a site of the tests where its database is. */
    public static void register(org.springframework.test.context.DynamicPropertyRegistry registry, String name) {
        registry.add("spring.datasource.url", () -> url(name));
        registry.add("spring.datasource.password", () -> PASSWORD);
    }

    /** The port it listens on. */
    public static int port() {
        return PORT;
    }

    /** Address of a database of this name, made empty when it is first asked for in a run. */
    public static String url(String name) {
        return "jdbc:mariadb://127.0.0.1:" + PORT + "/" + name + "?createDatabaseIfNotExist=true";
    }

    private static int start() {
        try {
            Path home = Files.createTempDirectory("ysometron-test-database");
            Path data = home.resolve("data");
            String user = System.getProperty("user.name");
            run(
                    home,
                    List.of(
                            "mariadb-install-db",
                            "--no-defaults",
                            "--user=" + user,
                            "--datadir=" + data,
                            "--auth-root-authentication-method=socket",
                            "--skip-test-db"));
            int port = freePort();
            Path init = home.resolve("init.sql");
            Files.writeString(
                    init,
                    "CREATE USER 'ysometron'@'127.0.0.1' IDENTIFIED BY '" + PASSWORD + "';\n"
                            + "GRANT ALL ON *.* TO 'ysometron'@'127.0.0.1';\n"
                            + "DELETE FROM mysql.global_priv WHERE User NOT IN ('ysometron', 'mariadb.sys');\n"
                            + "FLUSH PRIVILEGES;\n");
            Process server = new ProcessBuilder(
                            executable("mariadbd"),
                            "--no-defaults",
                            "--user=" + user,
                            "--datadir=" + data,
                            "--bind-address=127.0.0.1",
                            "--port=" + port,
                            "--socket=" + home.resolve("socket"),
                            "--skip-log-bin",
                            "--skip-name-resolve",
                            "--character-set-server=utf8mb4",
                            "--collation-server=utf8mb4_bin",
                            "--innodb-flush-log-at-trx-commit=0",
                            "--init-file=" + init)
                    .redirectErrorStream(true)
                    .redirectOutput(home.resolve("server.log").toFile())
                    .start();
            Runtime.getRuntime().addShutdownHook(new Thread(server::destroy));
            await(port, server, home);
            return port;
        } catch (IOException e) {
            throw new UncheckedIOException(
                    "the tests need MariaDB (Debian: mariadb-server-core, mariadb-client-core)", e);
        }
    }

    private static String executable(String name) {
        return Files.isExecutable(Path.of("/usr/sbin", name)) ? "/usr/sbin/" + name : name;
    }

    private static void run(Path home, List<String> command) throws IOException {
        Process process = new ProcessBuilder(command)
                .redirectErrorStream(true)
                .redirectOutput(home.resolve("install.log").toFile())
                .start();
        try {
            if (process.waitFor() != 0) {
                throw new IOException(Files.readString(home.resolve("install.log")));
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IOException("interrupted while the database was set up", e);
        }
    }

    private static int freePort() throws IOException {
        try (ServerSocket socket = new ServerSocket(0)) {
            return socket.getLocalPort();
        }
    }

    private static void await(int port, Process server, Path home) throws IOException {
        for (int i = 0; i < 300 && server.isAlive(); i++) {
            try (Socket socket = new Socket("127.0.0.1", port)) {
                return;
            } catch (IOException notYet) {
                try {
                    Thread.sleep(100);
                } catch (InterruptedException e) {
                    Thread.currentThread().interrupt();
                }
            }
        }
        throw new IOException("the database did not start: " + Files.readString(home.resolve("server.log")));
    }
}

# Readings over a bad line, counted: what is lost and what comes twice; sourced by ./ysometron bench once.
mvn -q -B -ntp -Dmaven.test.skip=true -Dspotless.check.skip=true -pl instruments package
exec java -cp "instruments/target/instruments-0.1.0.jar:instruments/target/lib/*" org.ysometron.instruments.standin.ExactlyOnce "${1:-1000}"

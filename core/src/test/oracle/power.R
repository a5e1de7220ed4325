source("common.R")
source_of("R integrate over s of both bounds inside; base R only")
two <- function(a, b, sd, n, g = 0.95) {
  t <- qt(g, n - 1); lo <- a * sqrt(n) / sd; hi <- b * sqrt(n) / sd
  f <- function(s) { w <- (n - 1) * s^2; d <- dchisq(w, n - 1) * 2 * (n - 1) * s; pmax(0, pnorm(hi - t * s) - pnorm(t * s - lo)) * d }
  integrate(f, 0, (lo + hi) / (2 * t), rel.tol = 1e-11, subdivisions = 2000)$value }
for (n in c(3, 5, 10, 30)) for (m in list(c(1, 1), c(0.5, 1.5), c(2, 0.7)))
  case("supported-probability", paste0("margin=", m[1], "; otherMargin=", m[2], "; sd=0.8; n=", n), "value", two(m[1], m[2], 0.8, n), "1e-7")
source_of("R power.t.test, one sample, one-sided")
for (n in c(3, 5, 10, 30)) for (d in c(0.5, 1, 2))
  case("supported-probability", paste0("margin=", d, "; sd=1; n=", n), "value",
       power.t.test(n = n, delta = d, sd = 1, sig.level = 0.05, type = "one.sample", alternative = "one.sided")$power, "1e-6")

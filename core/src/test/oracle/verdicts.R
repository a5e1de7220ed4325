source("common.R")
library(mvtnorm)
# Figures behind verdicts: bounds, probabilities, further specimens; base R, and mvtnorm of Debian for looks.
source_of("R qt and pt with the degrees of freedom of JCGM 100:2008, G.4")
bounds <- function(x, cal = 0, g = 0.95, n = length(x)) { v <- var(x) / n; u <- sqrt(v + cal^2); nu <- (n - 1) * (u^2 / v)^2; list(m = mean(x), u = u, nu = nu, lo = mean(x) - qt(g, nu) * u, hi = mean(x) + qt(g, nu) * u) }
prob <- function(b, L, U) (if (is.null(L)) 1 else pt((b$m - L) / b$u, b$nu)) - (if (is.null(U)) 0 else pt((b$m - U) / b$u, b$nu))
x <- c(55.1, 54.2, 56.0, 55.5, 54.9); y <- c(50.2, 49.1, 51.3, 50.8)
edge <- function(L, U) paste0(if (!is.null(L)) paste0("; atLeast=", L), if (!is.null(U)) paste0("; atMost=", U))
fewest <- function(x, cal, g, L, U, min) for (k in 1:200) { b <- bounds(x, cal, g, length(x) + k); lo <- if (is.null(L)) TRUE else b$lo >= L; hi <- if (is.null(U)) TRUE else b$hi <= U
  no <- (!is.null(L) && b$hi < L) || (!is.null(U) && b$lo > U); if (((lo && hi) || no) && length(x) + k >= min) return(k) }
for (q in list(list(x, 0, 0.95, 54.9, NULL), list(x, 0.2, 0.95, 54.9, NULL), list(x, 0.1, 0.9, NULL, 55.3), list(x, 0.1, 0.95, 54.6, 55.8), list(y, 0.3, 0.99, 49.5, NULL))) {
  i <- paste0("values=", lst(q[[1]]), "; calibrationUncertainty=", q[[2]], "; confidence=", q[[3]], "; minimumN=2", edge(q[[4]], q[[5]])); b <- bounds(q[[1]], q[[2]], q[[3]])
  case("mean-verdict", i, "lower", b$lo); case("mean-verdict", i, "upper", b$hi); case("mean-verdict", i, "probability", prob(b, q[[4]], q[[5]]), "1e-9")
  k <- fewest(q[[1]], q[[2]], q[[3]], q[[4]], q[[5]], 2); if (!is.null(k)) case("mean-verdict", i, "moreSpecimens", k, "0")
}
source_of("R optimize and uniroot on the profile of a censored normal likelihood, read as Student's t; not tighter than the same numbers as values")
prof <- function(mu, v, c) optimize(function(l) sum(dnorm(v, mu, exp(l), log = TRUE)) + sum(pnorm(c, mu, exp(l), lower.tail = FALSE, log.p = TRUE)), c(-8, 8), maximum = TRUE, tol = 1e-13)$objective
cens <- function(v, c, g, L) { o <- optimize(prof, c(mean(v) - 5, max(v, c) + 30), v = v, c = c, maximum = TRUE, tol = 1e-12); nu <- length(v) - 1; n <- length(v) + length(c)
  tt <- function(mu) sqrt(nu * expm1(2 * max(0, o$objective - prof(mu, v, c)) / n)); a <- c(v, c); half <- qt(g, n - 1) * sd(a) / sqrt(n)
  lo <- uniroot(function(m) tt(m) - qt(g, nu), c(o$maximum - 60, o$maximum), tol = 1e-11)$root; hi <- uniroot(function(m) tt(m) - qt(g, nu), c(o$maximum, o$maximum + 200), tol = 1e-11)$root
  p1 <- pt(sign(o$maximum - L) * tt(L), nu); p2 <- pt((mean(a) - L) / (sd(a) / sqrt(n)), n - 1)
  list(m = o$maximum, lo = min(lo, mean(a) - half), hi = max(hi, mean(a) + half), p = if (p1 > 0.5 && p2 > 0.5) min(p1, p2) else if (p1 < 0.5 && p2 < 0.5) max(p1, p2) else 0.5) }
for (q in list(list(c(51, 52, 53, 54), c(55), 51.6), list(c(48, 49, 50), c(50.5, 50.5), 47), list(c(50, 52, 51), c(60, 61), 50.5), list(c(50, 51), c(49, 48, 47), 52), list(c(20, 26, 23, 21, 24), c(22, 30), 30))) {
  r <- cens(q[[1]], q[[2]], 0.95, q[[3]]); i <- paste0("values=", lst(q[[1]]), "; bounds=", lst(q[[2]])); j <- paste0(i, "; minimumN=2; atLeast=", q[[3]])
  case("censored-mean", i, "value", r$m, "2e-5"); case("censored-mean", i, "lower", r$lo, "1e-6"); case("censored-mean", i, "upper", r$hi, "1e-6"); case("mean-verdict", j, "probability", r$p, "1e-6"); case("mean-verdict", j, "lower", r$lo, "1e-6")
}
source_of("R optimize, its two-sided and one-sided levels 0.9 and 0.99")
for (g in c(0.8, 0.99)) { r <- cens(c(51, 52, 53, 54), 55, g, 50); case("censored-mean", paste0("values=51,52,53,54; bounds=55; confidence=", g), "lower", r$lo, "1e-6"); case("censored-mean", paste0("values=51,52,53,54; bounds=55; confidence=", g), "upper", r$hi, "1e-6") }
source_of("R integrate over the standard deviation, uniroot for how far off a mean may lie; pt with a noncentrality for one edge")
z <- c(1.748, 1.752, 1.751, 1.749, 1.75, 1.762)
inside2 <- function(v, L, U, p, u) { n <- length(v); nu <- n - 1; s <- sd(v); h <- (U - L) / 2; mid <- (L + U) / 2; wide <- h / qnorm((1 + p) / 2)
  f <- function(r) sapply(r, function(a) { sg <- s / a; if (sg >= wide) return(0); o <- uniroot(function(d) pnorm(U, mid + d, sg) - pnorm(L, mid + d, sg) - p, c(0, h), tol = 1e-14)$root; e <- sqrt(sg^2 / n + u^2)
    (pnorm(mid + o, mean(v), e) - pnorm(mid - o, mean(v), e)) * 2 * nu * a * dchisq(nu * a^2, nu) })
  integrate(f, s / wide, 6, rel.tol = 1e-10, subdivisions = 4000)$value }
for (q in list(list(1.73, 1.775, 0.95, 0), list(1.74, 1.765, 0.9, 0.002), list(1.70, 1.80, 0.999, 0), list(1.735, 1.775, 0.95, 0.004)))
  case("every-part-verdict", paste0("values=", lst(z), "; minimumN=2; atLeast=", q[[1]], "; atMost=", q[[2]], "; share=", q[[3]], "; calibrationUncertainty=", q[[4]]), "probability", inside2(z, q[[1]], q[[2]], q[[3]], q[[4]]), "1e-7")
for (p in c(0.9, 0.95, 0.99)) for (L in c(1.70, 1.74)) { n <- length(z); i <- paste0("values=", lst(z), "; minimumN=2; atLeast=", L, "; share=", p)
  case("every-part-verdict", i, "probability", pt(sqrt(n) * (mean(z) - L) / sd(z), n - 1, ncp = qnorm(p) * sqrt(n)), "1e-7")
  k <- qt(0.95, n - 1, ncp = qnorm(p) * sqrt(n)) / sqrt(n); case("every-part-verdict", i, "lower", mean(z) - k * sd(z), "1e-8")
  j <- paste0("values=", lst(z), "; minimumN=2; atMost=", 3.5 - L, "; share=", p); case("every-part-verdict", j, "probability", pt(sqrt(n) * (3.5 - L - mean(z)) / sd(z), n - 1, ncp = qnorm(p) * sqrt(n)), "1e-7")
  cal <- 0.003; i <- paste0(i, "; calibrationUncertainty=", cal); zz <- qnorm(p); case("every-part-verdict", i, "lower", mean(z) - zz * sd(z) - sqrt(((k - zz) * sd(z))^2 + (qnorm(0.95) * cal)^2), "1e-8") }
source_of("R, delta method on the logarithm with the degrees of freedom of Welch and Satterthwaite")
a <- c(28.1, 29.0, 27.5, 28.8, 28.2); b <- c(55.1, 54.2, 56.0, 55.5, 54.9, 53.0)
for (cal in c(0, 0.01)) for (g in c(0.9, 0.95)) { v1 <- var(a) / length(a) / mean(a)^2; v2 <- var(b) / length(b) / mean(b)^2; v <- v1 + v2 + cal^2; nu <- v^2 / (v1^2 / (length(a) - 1) + v2^2 / (length(b) - 1)); r <- mean(a) / mean(b)
  i <- paste0("numerator=", lst(a), "; denominator=", lst(b), "; confidence=", g, "; minimumN=2; relativeCalibration=", cal); 
  case("ratio-verdict", paste0(i, "; atLeast=0.51"), "lower", r * exp(-qt(g, nu) * sqrt(v))); case("ratio-verdict", paste0(i, "; atLeast=0.51"), "upper", r * exp(qt(g, nu) * sqrt(v)))
  case("ratio-verdict", paste0(i, "; atLeast=0.51"), "probability", pt((log(r) - log(0.51)) / sqrt(v), nu), "1e-9"); case("ratio-verdict", paste0(i, "; atLeast=0.5; atMost=0.52"), "probability", pt((log(r) - log(0.5)) / sqrt(v), nu) - pt((log(r) - log(0.52)) / sqrt(v), nu), "1e-9") }
source_of("Pocock 1977, printed constants of two and three one-sided looks at 5 %: 1.875 and 1.992")
case("looks-level", "looks=2; sizes=5", "constant", pnorm(-1.875), "2e-4"); case("looks-level", "looks=3; sizes=5", "constant", pnorm(-1.992), "2e-4")
source_of("R mvtnorm, pmvnorm of correlated looks: the spending of a constant boundary, the level planned at 0.94 of 0.05 (0.88 below five specimens)")
cr <- function(s) { R <- outer(s, s, function(p, q) sqrt(pmin(p, q) / pmax(p, q))); R }
stay <- function(s, e) if (length(s) == 1) pnorm(e) else as.numeric(pmvnorm(rep(-Inf, length(s)), e, corr = cr(s), algorithm = Miwa(steps = 4097)))
level <- function(planned, alpha, sizes) { al <- alpha * (if (sizes[1] < 5) 0.88 else 0.94); s0 <- 1:planned; cst <- uniroot(function(c) 1 - stay(s0, rep(c, planned)) - al, c(1, 5), tol = 1e-12)$root
  cum <- sapply(1:planned, function(k) 1 - stay(s0[1:k], rep(cst, k))); e <- c()
  for (k in seq_along(sizes)) { before <- if (k == 1) 0 else 1 - stay(sizes[1:(k - 1)], e); e <- c(e, uniroot(function(c) (1 - stay(sizes[1:k], c(e, c))) - before - (cum[k] - if (k == 1) 0 else cum[k - 1]), c(0.5, 6), tol = 1e-12)$root) }
  pnorm(-e[length(e)]) }
for (q in list(list(2, c(5)), list(2, c(5, 10)), list(2, c(5, 7)), list(2, c(3, 12)), list(3, c(5)), list(3, c(5, 9)), list(3, c(5, 9, 20))))
  case("looks-level", paste0("looks=", q[[1]], "; sizes=", lst(q[[2]])), "value", level(q[[1]], 0.05, q[[2]]), "2e-6")
source_of("R, the same profile where the bounds lie hundreds of standard deviations beyond the values (logarithms of the tail)")
for (q in list(list(c(50, 50.001), c(80, 80, 80)), list(c(50, 50.1, 49.9, 50), c(58)))) { v <- q[[1]]; cc <- q[[2]]
  pr <- function(mu) optimize(function(l) sum(dnorm(v, mu, exp(l), log = TRUE)) + sum(pnorm(cc, mu, exp(l), lower.tail = FALSE, log.p = TRUE)), c(-8, 12), maximum = TRUE, tol = 1e-13)
  o <- optimize(function(m) pr(m)$objective, c(50, 400), maximum = TRUE, tol = 1e-12); i <- paste0("values=", lst(v), "; bounds=", lst(cc))
  case("censored-mean", i, "value", o$maximum, "r1e-5"); case("censored-mean", i, "sd", exp(pr(o$maximum)$maximum), "r1e-5") }
source_of("R qt on the pooled variance of two specimens and of earlier lots (ISO 5725-2), below a least n of 5; pt for the probability")
p2 <- c(48.2, 47.1); s2 <- (60 * 1.3^2 + var(p2)) / 61; u2 <- sqrt(s2 / 2); i <- paste0("values=", lst(p2), "; atLeast=45; scatter=1.3; freedom=60")
case("mean-verdict", i, "lower", mean(p2) - qt(0.95, 61) * u2); case("mean-verdict", i, "upper", mean(p2) + qt(0.95, 61) * u2); case("mean-verdict", i, "probability", pt((mean(p2) - 45) / u2, 61), "1e-9")

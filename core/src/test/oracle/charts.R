source("common.R")
# Charts of subgroups, of weighted means and sums, of several characteristics; base R only.
w <- function(n) { f <- function(x) 1 - pnorm(x)^n - (1 - pnorm(x))^n; integrate(f, -9, 9, rel.tol = 1e-12)$value }
pr <- function(q, n) ptukey(q, n, Inf)
d4 <- function(n) uniroot(function(q) integrate(function(x) n * dnorm(x) * (pnorm(x + q) - pnorm(x))^(n - 1), -9, 9, rel.tol = 1e-12)$value - 0.5,
                          c(0.01, 10), tol = 1e-14)$root
d3 <- function(n) { m <- w(n); v <- integrate(function(q) sapply(q, function(a) 2 * a * (1 - ptukey(a, n, Inf))), 0, 14, rel.tol = 1e-9)$value; sqrt(v - m^2) }
c4 <- function(n) sqrt(2 / (n - 1)) * exp(lgamma(n / 2) - lgamma((n - 1) / 2))
source_of("R integrate and uniroot on the distribution of the range; lgamma for c4")
for (n in c(2, 3, 5, 10, 25)) { case("chart-constants", paste0("n=", n), "d4", d4(n), "1e-8"); case("chart-constants", paste0("n=", n), "d2", w(n), "1e-9") }
source_of("ISO 7870-2 and textbooks, factor of the median range (printed: 0.954, 1.588, 2.257)")
case("chart-constants", "n=2", "d4", 0.954, "0.0006"); case("chart-constants", "n=3", "d4", 1.588, "0.0006"); case("chart-constants", "n=5", "d4", 2.257, "0.0006")
source_of("R, subgroup means, ranges and standard deviations by apply, factors by integration")
x <- c(49.6, 47.6, 49.9, 51.3, 47.8, 51.2, 52.6, 52.4, 53.6, 52.1, 51.0, 50.2, 50.9, 49.2, 48.8); n <- 3
g <- matrix(x, nrow = n); m <- colMeans(g); r <- apply(g, 2, function(a) diff(range(a))); s <- apply(g, 2, sd)
for (how in c("ranges", "deviations", "pooled")) {
  sg <- switch(how, ranges = mean(r) / w(n), deviations = mean(s) / c4(n), pooled = sqrt(mean(s^2)))
  i <- paste0("values=", lst(x), "; n=3; sigma=", how)
  case("subgroup-limits", i, "value", sg); case("subgroup-limits", i, "meansLower", mean(m) - 3 * sg / sqrt(n))
  case("subgroup-limits", i, "meansUpper", mean(m) + 3 * sg / sqrt(n)); case("subgroup-limits", i, "rangesCentre", w(n) * sg)
  case("subgroup-limits", i, "rangesUpper", (w(n) + 3 * d3(n)) * sg, "r1e-6"); case("subgroup-limits", i, "rangesLower", max(0, w(n) - 3 * d3(n)) * sg, "1e-6")
  case("subgroup-limits", i, "deviationsUpper", (c4(n) + 3 * sqrt(1 - c4(n)^2)) * sg)
}
i <- paste0("values=", lst(x), "; n=3"); mr <- mean(abs(diff(m)))
case("three-way-limits", i, "value", mean(m)); case("three-way-limits", i, "sigma", mr / (2 / sqrt(pi))); case("three-way-limits", i, "meansUpper", mean(m) + 3 * mr / (2 / sqrt(pi)))
case("three-way-limits", i, "withinSigma", mean(r) / w(3)); case("three-way-limits", i, "betweenSigma", sqrt(var(m) - mean(s^2) / 3))
for (span in c(2, 3, 5)) {
  q <- sapply(1:(length(x) - span + 1), function(k) diff(range(x[k:(k + span - 1)])))
  i <- paste0("values=", lst(x), "; span=", span)
  case("moving-ranges", i, "value", mean(q) / w(span)); case("moving-ranges", i, "ranges:2", q[3]); case("moving-ranges", paste0(i, "; centre=median"), "value", median(q) / d4(span), "r1e-8")
  case("moving-ranges", i, "upper", (w(span) + 3 * d3(span)) * mean(q) / w(span), "r1e-6")
}
source_of("R, the recursion of the weighted mean by Reduce, and its limits by the exact variance of a sum")
z <- Reduce(function(a, b) 0.3 * b + 0.7 * a, x, accumulate = TRUE, 50)[-1]; i <- paste0("values=", lst(x), "; centre=50; sigma=1.6; lambda=0.3; limit=2.7")
half <- sapply(seq_along(x), function(k) 2.7 * 1.6 * sqrt(sum((0.3 * 0.7^(0:(k - 1)))^2)))
for (k in c(1, 2, 9, 15)) { case("ewma-chart", i, paste0("z:", k - 1), z[k]); case("ewma-chart", i, paste0("upper:", k - 1), 50 + half[k]) }
case("ewma-chart", i, "value", sum(abs(z - 50) > half), "0"); case("ewma-chart", paste0(i, "; limits=constant"), "lower:0", 50 - 2.7 * 1.6 * sqrt(0.3 / 1.7))
source_of("R, cumulated sums as excursions of a walk above its running minimum (their definition before the tabular one)")
y <- (x - 50) / 1.6; wu <- cumsum(y - 0.5); wl <- cumsum(-y - 0.5); up <- wu - pmin(0, cummin(wu)); lo <- wl - pmin(0, cummin(wl))
i <- paste0("values=", lst(x), "; centre=50; sigma=1.6; h=3")
for (k in c(1, 3, 8, 11, 15)) { case("cusum-chart", i, paste0("upper:", k - 1), up[k], "1e-9"); case("cusum-chart", i, paste0("lower:", k - 1), lo[k], "1e-9") }
case("cusum-chart", i, "value", sum(up > 3 | lo > 3), "0")
source_of("D. C. Montgomery's textbook, tabular CUSUM of 30 observations about 10, k 0.5, h 5: C+ is 5.28 at period 29 (first signal), begun 7 points before with it; data quoted from memory")
mo <- c(9.45, 7.99, 9.29, 11.66, 12.16, 10.18, 8.04, 11.46, 9.20, 10.34, 9.03, 11.47, 10.51, 9.40, 10.08, 9.37, 10.62, 10.31, 8.52, 10.84, 10.90, 9.33,
        12.29, 11.50, 10.60, 11.08, 10.38, 11.62, 11.31, 10.52)
i <- paste0("values=", lst(mo), "; centre=10; sigma=1")
case("cusum-chart", i, "upper:28", 5.28, "0.005"); case("cusum-chart", i, "upperSince:28", 7, "0"); case("cusum-chart", i, "beyond:0", 28, "0")
source_of("R mahalanobis, cov, qbeta, qf")
v <- cbind(c(54.1, 55.3, 53.9, 54.8, 55.9, 56.4, 55.2, 56.8, 53.0), c(1.75, 1.76, 1.74, 1.75, 1.77, 1.76, 1.75, 1.74, 1.73), c(49, 51, 50.5, 48, 52, 51, 49.5, 50, 47.5))
i <- paste0("values=", lst(as.vector(t(v))), "; characteristics=3; level=0.01"); k <- nrow(v); p <- 3; t2 <- mahalanobis(v, colMeans(v), cov(v))
for (j in c(1, 5, 9)) case("t-squared", i, paste0("values:", j - 1), t2[j]); case("t-squared", i, "value", (k - 1)^2 / k * qbeta(0.99, p / 2, (k - p - 1) / 2))
case("t-squared", i, "laterLimit", p * (k + 1) * (k - 1) / (k * (k - p)) * qf(0.99, p, k - p)); dv <- diff(v); hm <- t(dv) %*% dv / (2 * (k - 1))
case("t-squared", paste0(i, "; scatter=neighbours"), "values:4", mahalanobis(v, colMeans(v), hm)[5])
source_of("R qchisq; pt with a noncentrality and uniroot for one edge; Bissell's formula for the lesser")
lo <- 44; hi <- 57; n <- length(x); sd1 <- sd(x); mu <- mean(x); i <- paste0("values=", lst(x), "; lower=44; upper=57; n=3")
case("capability", i, "pp", (hi - lo) / 6 / sd1); case("capability", i, "ppLow", (hi - lo) / 6 / sd1 * sqrt(qchisq(0.025, n - 1) / (n - 1)))
case("capability", i, "ppHigh", (hi - lo) / 6 / sd1 * sqrt(qchisq(0.975, n - 1) / (n - 1))); ppk <- min(mu - lo, hi - mu) / 3 / sd1
case("capability", i, "ppk", ppk); case("capability", i, "ppkLow", ppk - qnorm(0.975) * sqrt(1 / 9 / n + ppk^2 / 2 / (n - 1)))
case("capability", i, "cp", (hi - lo) / 6 / sqrt(mean(s^2))); case("capability", i, "cpHigh", (hi - lo) / 6 / sqrt(mean(s^2)) * sqrt(qchisq(0.975, 10) / 10))
case("capability", i, "ppm", (hi - lo) / 6 / sqrt(sd1^2 + (mu - 50.5)^2)); case("capability", i, "shareOutside", pnorm(lo, mu, sd1) + 1 - pnorm(hi, mu, sd1))
ppu <- (hi - mu) / 3 / sd1; t0 <- 3 * ppu * sqrt(n); case("capability", i, "ppu", ppu)
case("capability", i, "ppuLow", uniroot(function(d) pt(t0, n - 1, ncp = d) - 0.975, c(0, t0), tol = 1e-12)$root / 3 / sqrt(n), "r1e-6")
case("capability", i, "ppuHigh", uniroot(function(d) pt(t0, n - 1, ncp = d) - 0.025, c(t0 / 2, t0 * 2), tol = 1e-12)$root / 3 / sqrt(n), "r1e-6")
source_of("R, individuals by median and by standard deviation")
i <- paste0("values=", lst(x)); case("individuals-limits", paste0(i, "; sigma=median-range"), "sigma", median(abs(diff(x))) / d4(2), "r1e-8")
case("individuals-limits", paste0(i, "; sigma=deviations"), "upper", mean(x) + 3 * sd(x) / c4(length(x))); case("individuals-limits", paste0(i, "; centre=median"), "lower", median(x) - 3 * mean(abs(diff(x))) * sqrt(pi) / 2)
source_of("R, scatter within lots of different size: mean of s over c4, and pooled")
sd5 <- c(0.9, 1.1, 0.7, 1.3, 0.2); nn <- c(5, 3, 8, 2, 5); i <- paste0("sd=", lst(sd5), "; n=", lst(nn), "; forN=6")
for (how in c("mean", "pooled")) { sg <- if (how == "mean") mean(sd5 / sapply(nn, c4)) else sqrt(sum((nn - 1) * sd5^2) / sum(nn - 1)); j <- paste0(i, "; sigma=", how)
  case("spread-limits", j, "sigma", sg); case("spread-limits", j, "upper", (c4(6) + 3 * sqrt(1 - c4(6)^2)) * sg); case("spread-limits", j, "lower", max(0, c4(6) - 3 * sqrt(1 - c4(6)^2)) * sg) }
source_of("R, data set Nile of package datasets: the step of least squares over all places; a published example, Cobb 1978 (after 1898, 1097.75 and 849.97)")
y <- as.numeric(Nile); rss <- sapply(2:98, function(k) sum((y[1:k] - mean(y[1:k]))^2) + sum((y[-(1:k)] - mean(y[-(1:k)]))^2)); k <- which.min(rss) + 1; i <- paste0("values=", lst(y))
case("change-point", i, "value", k + 1); case("change-point", i, "before", mean(y[1:k])); case("change-point", i, "size", mean(y[-(1:k)]) - mean(y[1:k]), "r1e-9")
source_of("R, median of all slopes, and the places where the 95 % band of lm meets the edge")
y <- c(38.1, 37.9, 37.2, 37.3, 36.6, 36.4, 35.8); x <- seq_along(y); i <- paste0("values=", lst(y), "; edge=33"); sl <- outer(y, y, "-") / outer(x, x, "-"); b <- median(sl[lower.tri(sl)])
case("lots-left", i, "value", b, "r1e-9"); case("lots-left", i, "lots", (33 - median(y - b * x)) / b - 7, "r1e-9")
f <- lm(y ~ x); edge_at <- function(side, lo, hi) uniroot(function(at) predict(f, data.frame(x = at), interval = "confidence")[, side] - 33, c(lo, hi), tol = 1e-12)$root - 7
case("lots-left", i, "fewest", edge_at("lwr", 7, 20), "r1e-8"); case("lots-left", i, "most", edge_at("upr", 7, 60), "r1e-8")
source_of("R qtukey with each pair's own error and degrees of freedom (Games and Howell); t.test's own formula for two")
mm <- c(28.4, 27.1, 25.9); ss <- c(0.8, 1.1, 0.9); nn <- c(5, 5, 4); i <- paste0("means=", lst(mm), "; deviations=", lst(ss), "; sizes=", lst(nn)); at <- 0
for (a in 1:2) for (b in (a + 1):3) {
  va <- ss[a]^2 / nn[a]; vb <- ss[b]^2 / nn[b]; df <- (va + vb)^2 / (va^2 / (nn[a] - 1) + vb^2 / (nn[b] - 1)); half <- qtukey(0.95, 3, df) / sqrt(2) * sqrt(va + vb)
  case("lot-differences", i, paste0("low:", at), mm[b] - mm[a] - half, "1e-6"); case("lot-differences", i, paste0("high:", at), mm[b] - mm[a] + half, "1e-6"); at <- at + 1
}
va <- ss[1]^2 / nn[1]; vb <- ss[2]^2 / nn[2]; df <- (va + vb)^2 / (va^2 / 4 + vb^2 / 4)
case("lot-differences", paste0("means=", lst(mm[1:2]), "; deviations=", lst(ss[1:2]), "; sizes=", lst(nn[1:2])), "low:0", mm[2] - mm[1] - qt(0.975, df) * sqrt(va + vb))
source_of("R, variance of the lot means and pooled variance, Satterthwaite's degrees of freedom by hand; qt with tolerance factor by pt's noncentrality")
i <- paste0("means=", lst(mm), "; deviations=", lst(ss), "; sizes=", lst(nn), "; lower=20"); sw <- sum((nn - 1) * ss^2) / sum(nn - 1); rest <- sw * (1 - mean(1 / nn)); whole <- var(mm) + rest
case("lot-capability", i, "sigma", sqrt(whole)); case("lot-capability", i, "freedom", whole^2 / (var(mm)^2 / 2 + rest^2 / sum(nn - 1))); case("lot-capability", i, "value", (mean(mm) - 20) / 3 / sqrt(whole))
mm <- c(28.4, 27.1, 25.9, 27.7, 28.8, 26.4, 27.9, 28.1, 27.3, 26.9, 28.0); ss <- c(0.8, 1.1, 0.9, 0.7, 1.2, 0.8, 0.6, 1.0, 0.9, 1.3, 0.7); nn <- c(5, 5, 4, 5, 5, 3, 5, 5, 6, 5, 5)
bb <- mm - qt(0.95, nn - 1) * ss / sqrt(nn); k <- length(bb); kk <- uniroot(function(f) pt(f * sqrt(k), k - 1, qnorm(0.95) * sqrt(k)) - 0.95, c(1, 6), tol = 1e-12)$root
case("supportable-edge", paste0("means=", lst(mm), "; deviations=", lst(ss), "; sizes=", lst(nn)), "value", mean(bb) - kk * sd(bb), "1e-6")
source_of("R, simulated on its own: 20-lot baselines, limits by the mean moving range, beyond the limits or eight on one side; medians of 4000 runs of at most 1000 lots")
set.seed(7); first <- function() {
  b <- rnorm(20); s <- mean(abs(diff(b))) / (2 / sqrt(pi)); z <- (rnorm(1000) - mean(b)) / s; out <- which(abs(z) > 3); r <- rle(sign(z)); e <- cumsum(r$lengths); w <- which(r$lengths >= 8)
  min(c(1001, out, if (length(w)) e[w[1]] - r$lengths[w[1]] + 8))
}
case("chart-trial", "baseline=20; range=off; spread=off; series=4000; most=1000", "value", median(replicate(4000, first())), "5")
source_of("R, charts that begin anew behind a signal: each stretch by itself, the average by its sum of weights, the sums as excursions of a walk above its running minimum")
y <- c(0.4, 1.9, 1.1, 1.6, 2.2, 0.9, 1.4, 1.8, -0.2, 0.6, 1.3, 1.7, 0.8, -2.9, -1.8, -1.4, -2.2, 0.3, -0.7, 0.2)
stretches <- function(far) { at <- 1; out <- list(); while (at <= length(y)) { d <- far(y[at:length(y)]); e <- if (any(d$beyond)) which(d$beyond)[1] else length(d$beyond); out[[length(out) + 1]] <- lapply(d, head, e); at <- at + e }
  lapply(setNames(names(out[[1]]), names(out[[1]])), function(v) unlist(lapply(out, `[[`, v))) }
average <- stretches(function(v) { z <- sapply(seq_along(v), function(k) sum(0.2 * 0.8^((k - 1):0) * v[1:k])); half <- sapply(seq_along(v), function(k) 2.962 * sqrt(sum((0.2 * 0.8^(0:(k - 1)))^2))); list(z = z, half = half, beyond = abs(z) > half) })
i <- paste0("values=", lst(y), "; centre=0; sigma=1; limit=2.962; after=anew")
for (k in seq_along(y)) { case("ewma-chart", i, paste0("z:", k - 1), average$z[k]); case("ewma-chart", i, paste0("upper:", k - 1), average$half[k]) }
case("ewma-chart", i, "value", sum(average$beyond), "0")
walk <- function(v, start) { w <- start + cumsum(v); w - pmin(0, cummin(w)) }
sums <- stretches(function(v) { up <- walk(v - 0.5, 2.5); lo <- walk(-v - 0.5, 2.5); list(up = up, lo = lo, beyond = up > 5 | lo > 5) })
i <- paste0("values=", lst(y), "; centre=0; sigma=1; start=2.5; after=anew")
for (k in seq_along(y)) { case("cusum-chart", i, paste0("upper:", k - 1), sums$up[k], "1e-9"); case("cusum-chart", i, paste0("lower:", k - 1), sums$lo[k], "1e-9") }
case("cusum-chart", i, "value", sum(sums$beyond), "0")
source_of("R phyper and pbinom: the least count with P(X >= c) <= 0.00135 given how many there are in the lot and in those before it together, tried one by one")
counts <- c(1, 0, 2, 1, 0, 6, 1, 0, 9, 3, 0, 1); sizes <- c(20, 5, 30, 20, 10, 12, 20, 8, 40, 10, 5, 60)
least <- function(i, back, share) { j <- max(1, i - back):(i - 1); b <- sum(counts[j]); m <- sum(sizes[j]); n <- sizes[i]
  for (c in 1:(if (share) n else 400)) { p <- if (share) phyper(c - 1, b + c, m + n - b - c, n, lower.tail = FALSE) else pbinom(c - 1, b + c, n / (m + n), lower.tail = FALSE); if (p <= 0.00135) return(c) }; NA }
for (share in c(TRUE, FALSE)) for (back in c(40, 3)) { l <- c(NA, sapply(2:12, least, back, share)); i <- paste0("counts=", lst(counts), "; sizes=", lst(sizes), "; kind=", if (share) "share" else "rate", "; back=", back)
  case("count-chart", i, "value", sum(counts >= l, na.rm = TRUE), "0"); lim <- ((l - 1) / sizes)[!is.na(l)]; for (k in seq_along(lim)) case("count-chart", i, paste0("limits:", k - 1), lim[k]) }
source_of("R mahalanobis with each characteristic left out: the driver is that without which T2 falls most")
fall <- sapply(1:3, function(j) t2 - mahalanobis(v[, -j], colMeans(v)[-j], cov(v)[-j, -j])); i <- paste0("values=", lst(as.vector(t(v))), "; characteristics=3; level=0.01")
for (j in 1:9) case("t-squared", i, paste0("drivers:", j - 1), which.max(fall[j, ]) - 1, "0")
source_of("R diff and qt: deviations from the mean of the lots before over the family's successive differences, degrees of freedom by von Neumann 1941; a lot beyond is left out of those after")
own <- c(41.2, 40.1, 42.0, 33.0, 41.5, 40.6); fam <- list(c(50.1, 51.9, 49.2, 50.6), c(28.2, 27.5, 28.9, 28.0, 27.9), c(7, 7.4))
f <- sapply(fam, function(a) 2 * (length(a) - 1)^2 / (3 * length(a) - 4)); s <- sqrt(sum(f * sapply(fam, function(a) mean(diff(a)^2) / 2 / mean(a)^2)) / sum(f)); lim <- qt(1 - 0.00135, sum(f))
kept <- own[1]; over <- c(); for (a in own[-1]) { o <- (a / mean(kept) - 1) / s / sqrt(1 + 1 / length(kept)); over <- c(over, o); if (abs(o) <= lim) kept <- c(kept, a) }
i <- paste0("lots=", lst(own), "; family=", lst(unlist(fam)), "; sizes=", lst(sapply(fam, length)))
case("short-run", i, "value", sum(abs(over) > lim), "0"); case("short-run", i, "sd", s); case("short-run", i, "freedom", sum(f)); for (k in seq_along(over)) case("short-run", i, paste0("over:", k - 1), over[k])

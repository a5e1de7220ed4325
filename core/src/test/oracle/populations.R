source("common.R")
library(mvtnorm); library(survival); library(nlme)
# Intervals, groups beside a reference, variances, and failures; packages survival, nlme, mvtnorm of Debian.
x <- c(55.1, 54.2, 56.0, 55.5, 54.9, 57.3, 53.8); n <- length(x); m <- mean(x); s <- sd(x); v <- paste0("values=", lst(x))
source_of("R qt and pt with a noncentrality; qchisq")
k1 <- qt(0.95, n - 1, ncp = qnorm(0.9) * sqrt(n)) / sqrt(n)
case("tolerance-bounds", paste0(v, "; share=0.9; sides=one"), "lower", m - k1 * s, "r1e-7"); case("tolerance-bounds", paste0(v, "; share=0.9; sides=one"), "upper", m + k1 * s, "r1e-7")
case("prediction-bounds", v, "upper", m + qt(0.975, n - 1) * sqrt(1 + 1 / n) * s); case("prediction-bounds", paste0(v, "; sides=one; confidence=0.9"), "lower", m - qt(0.9, n - 1) * sqrt(1 + 1 / n) * s)
case("prediction-bounds", paste0(v, "; further=4; of=mean"), "upper", m + qt(0.975, n - 1) * sqrt(1 / 4 + 1 / n) * s)
source_of("R, nested integrate over mean and standard deviation")
keep <- function(k, n, f, two) integrate(function(q) sapply(q, function(a) integrate(function(z) dnorm(z) *
  (pnorm(z / sqrt(n) + k * a) - if (two) pnorm(z / sqrt(n) - k * a) else 0)^f, -9, 9, rel.tol = 1e-11)$value *
  2 * (n - 1) * a * dchisq((n - 1) * a^2, n - 1)), 0, 8, rel.tol = 1e-10)$value
for (f in c(2, 5, 20)) for (two in c(TRUE, FALSE)) {
  k <- uniroot(function(k) keep(k, n, f, two) - 0.95, c(1, 12), tol = 1e-11)$root
  case("prediction-bounds", paste0(v, "; further=", f, "; sides=", if (two) "two" else "one"), "value", k, "r1e-7")
}
source_of("R qchisq")
for (nu in c(1, 4, 30)) { i <- paste0("sd=0.666; degreesOfFreedom=", nu); case("sd-bounds", i, "upper", 0.666 * sqrt(nu / qchisq(0.05, nu))); case("sd-bounds", i, "lower", 0.666 * sqrt(nu / qchisq(0.95, nu))) }
source_of("R pt with a noncentrality and uniroot")
cv <- function(y, p) { t0 <- sqrt(length(y)) * mean(y) / sd(y); sqrt(length(y)) / uniroot(function(d) pt(t0, length(y) - 1, ncp = d) - p, c(1e-6, 37), tol = 1e-12)$root }
y <- c(3.1, 7.4, 5.2, 9.9, 4.4); i <- paste0("values=", lst(y))
case("coefficient-of-variation", i, "value", sd(y) / mean(y)); case("coefficient-of-variation", i, "upper", cv(y, 0.95), "r1e-6"); case("coefficient-of-variation", i, "lower", cv(y, 0.05), "r1e-6")
source_of("R mvtnorm pmvt and qmvt, tightened (unequal sizes)")
a <- list(c(54.1, 55.3, 53.9, 54.8), c(55.9, 56.4, 55.2, 56.8, 55.0), c(53.0, 54.2, 52.7)); nn <- sapply(a, length); sse <- sum(sapply(a, function(q) sum((q - mean(q))^2)))
nu <- sum(nn) - 3; sp <- sqrt(sse / nu); b <- sqrt(nn[-1] / (nn[-1] + nn[1])); R <- outer(b, b); diag(R) <- 1; i <- paste0("values=", lst(unlist(a)), "; groups=", lst(rep(1:3, nn)), "; reference=1")
set.seed(1); acc <- GenzBretz(maxpts = 4e6, abseps = 1e-7)
for (j in 1:2) { t1 <- (mean(a[[j + 1]]) - mean(a[[1]])) / sp / sqrt(1 / nn[j + 1] + 1 / nn[1]); case("dunnett", i, paste0("comparisons:", j - 1, ":t"), t1)
  case("dunnett", i, paste0("comparisons:", j - 1, ":p"), 1 - as.numeric(pmvt(rep(-abs(t1), 2), rep(abs(t1), 2), df = nu, corr = R, algorithm = acc)), "3e-6")
  case("dunnett", paste0(i, "; alternative=greater"), paste0("comparisons:", j - 1, ":p"), 1 - as.numeric(pmvt(rep(-Inf, 2), rep(t1, 2), df = nu, corr = R, algorithm = acc)), "3e-6") }
source_of("Dunnett 1955, table of d, two-sided 5 %, 2 groups of equal size beside the reference, 10 degrees of freedom: 2.57; one-sided: 2.15 (quoted from memory)")
e <- "values=1,2,3,4,5,1,2,3,4,5,2,3,4; groups=1,1,1,1,1,2,2,2,2,2,3,3,3; reference=1"
case("dunnett", e, "value", 2.57, "0.02"); case("dunnett", paste0(e, "; alternative=greater"), "value", 2.15, "0.02")
source_of("R nlme, lme by REML")
g <- factor(rep(1:4, c(4, 3, 5, 2))); z <- c(54.1, 55.3, 53.9, 54.8, 55.9, 56.4, 55.2, 56.8, 53.0, 54.2, 52.7, 53.9, 55.1, 55.8)
f <- lme(z ~ 1, random = ~ 1 | g, control = lmeControl(msTol = 1e-14, tolerance = 1e-12, msMaxIter = 500, maxIter = 500)); vc <- as.numeric(VarCorr(f)[, 1]); i <- paste0("values=", lst(z), "; groups=", lst(as.integer(g)))
case("variance-components", i, "value", vc[1], "r1e-5"); case("variance-components", i, "within", vc[2], "r1e-5"); case("variance-components", i, "mean", fixef(f)[[1]], "r1e-7"); case("variance-components", i, "meanError", sqrt(vcov(f)[1, 1]), "r1e-4")
source_of("R aov: for equal sizes restricted likelihood and mean squares agree")
z <- c(54.1, 55.3, 53.9, 55.9, 56.4, 55.2, 53.0, 54.2, 52.7); g <- factor(rep(1:3, each = 3)); q <- summary(aov(z ~ g))[[1]]$`Mean Sq`; i <- paste0("values=", lst(z), "; groups=", lst(as.integer(g)))
case("variance-components", i, "value", (q[1] - q[2]) / 3, "r1e-8"); case("variance-components", i, "within", q[2], "r1e-8")
case("variance-components", "values=1,5,2,1,5,3,1,6,2; groups=1,1,1,2,2,2,3,3,3", "value", 0, "1e-12")
source_of("D. B. Rorabacher, Analytical Chemistry 63, 1991, two-sided 95 % critical values: r10 of 5 is 0.710, of 7 0.568; r11 of 9 0.564; r21 of 12 0.579 (quoted from memory)")
at <- function(r, n) { c(0, (1 - r) * (1:(n - 2)) / (n - 2), 1) }
case("dixon", paste0("values=", lst(at(0.710, 5)), "; ratio=r10"), "p", 0.05, "0.0006"); case("dixon", paste0("values=", lst(at(0.568, 7)), "; ratio=r10"), "p", 0.05, "0.0006")
source_of("R, ten million samples of the normal distribution (seed 5): twice the share above, within four standard errors")
set.seed(5)
sim <- function(n, j, k, r) { hits <- 0; for (b in 1:20) { q <- matrix(rnorm(n * 5e5), n); q <- matrix(q[order(col(q), q)], n); hits <- hits + sum((q[n, ] - q[n - j, ]) / (q[n, ] - q[1 + k, ]) > r) }; 2 * hits / 1e7 }
top <- function(n, j, k, r) { u <- seq(0, 1, length.out = n - j); u <- c(u, rep(1, j)); hi <- u[1 + k] + (1 - u[1 + k]) / (1 - r); u[n] <- hi; if (j == 2) u[n - 1] <- 1 + (hi - 1) * 0.6; u }
for (q in list(list("r11", 1, 1, 9, 0.5), list("r21", 2, 1, 12, 0.5), list("r22", 2, 2, 16, 0.45)))
  case("dixon", paste0("values=", lst(top(q[[4]], q[[2]], q[[3]], q[[5]])), "; ratio=", q[[1]]), "p", sim(q[[4]], q[[2]], q[[3]], q[[5]]), "4e-4")
source_of("R survival, survreg and survfit")
fa <- c(31, 44, 52, 57, 66, 71, 52); la <- c(60, 80, 80, 52); d <- Surv(c(fa, la), c(rep(1, 7), rep(0, 4))); w <- survreg(d ~ 1, dist = "weibull", control = survreg.control(rel.tolerance = 1e-14, maxiter = 200))
i <- paste0("failed=", lst(fa), "; lasted=", lst(la)); vv <- vcov(w); zq <- qnorm(0.975); sc <- exp(coef(w)[[1]])
case("weibull-fit", i, "value", 1 / w$scale, "r1e-7"); case("weibull-fit", i, "scale", sc, "r1e-7"); case("weibull-fit", i, "logLikelihood", w$loglik[1], "r1e-9")
case("weibull-fit", i, "scaleLow", sc * exp(-zq * sqrt(vv[1, 1])), "r1e-5"); case("weibull-fit", i, "shapeHigh", 1 / w$scale * exp(zq * sqrt(vv[2, 2])), "r1e-5")
b <- predict(w, newdata = data.frame(a = 1), type = "uquantile", p = 0.1, se.fit = TRUE); case("weibull-fit", i, "quantile", exp(b$fit[[1]]), "r1e-7"); case("weibull-fit", i, "quantileLow", exp(b$fit[[1]] - zq * b$se.fit[[1]]), "r1e-5")
for (ty in c("plain", "log", "log-log")) { k <- summary(survfit(d ~ 1, conf.type = ty)); i2 <- paste0(i, "; scale=", ty)
  for (j in c(1, 3, 5)) { case("kaplan-meier", i2, paste0("steps:", j - 1, ":survival"), k$surv[j]); case("kaplan-meier", i2, paste0("steps:", j - 1, ":error"), k$std.err[j])
    case("kaplan-meier", i2, paste0("steps:", j - 1, ":lower"), k$lower[j]); case("kaplan-meier", i2, paste0("steps:", j - 1, ":upper"), min(1, k$upper[j])) } }
case("kaplan-meier", i, "value", unname(quantile(survfit(d ~ 1), 0.5)$quantile))
source_of("Kaplan and Meier's estimate of the remission times of 21 patients under treatment (Freireich and others 1963): 0.857 at 6, 0.627 at 13, 0.448 at 23; quoted from memory")
i <- "failed=6,6,6,7,10,13,16,22,23; lasted=6,9,10,11,17,19,20,25,32,32,34,35"
case("kaplan-meier", i, "steps:0:survival", 0.857, "0.0005"); case("kaplan-meier", i, "steps:3:survival", 0.690, "0.0005"); case("kaplan-meier", i, "steps:6:survival", 0.448, "0.0005"); case("kaplan-meier", i, "steps:0:error", 0.0764, "0.0001")
source_of("R pnorm and integrate over the items")
i <- "value=50.9; expandedUncertainty=0.6; lower=50; upper=51.2"; case("conformity", i, "value", pnorm(51.2, 50.9, 0.3) - pnorm(50, 50.9, 0.3))
for (q in list(c(10, 0.5, 0.2, 0), c(10.3, 0.6, 0.25, 0.1), c(9, 1, 0.01, 0))) { acc <- function(t) pnorm(11 - q[4], t, q[3]) - pnorm(9 + q[4], t, q[3]); pz <- function(t) dnorm(t, q[1], q[2])
  i <- paste0("mean=", q[1], "; sd=", q[2], "; standardUncertainty=", q[3], "; guardBand=", q[4], "; lower=9; upper=11"); o <- function(f, l, h) { e <- sort(unique(c(l, h, pmin(h, pmax(l, c(8.8, 8.9, 8.95, 9, 9.05, 9.1, 9.3, 10.7, 10.9, 10.95, 11, 11.05, 11.1, 11.2)))))); sum(sapply(seq_len(length(e) - 1), function(k) integrate(f, e[k], e[k + 1], rel.tol = 1e-11)$value)) }
  case("acceptance-risks", i, "value", o(function(t) pz(t) * acc(t), q[1] - 9 * q[2], 9) + o(function(t) pz(t) * acc(t), 11, q[1] + 9 * q[2]), "r1e-6"); case("acceptance-risks", i, "producer", o(function(t) pz(t) * (1 - acc(t)), 9, 11), "r1e-6") }
source_of("R quantile, types 4 to 9")
for (ty in 4:9) for (p in c(0, 0.05, 0.31, 0.5, 0.77, 1)) case("quantile", paste0("values=", lst(z), "; share=", p, "; definition=", ty), "value", unname(quantile(z, p, type = ty)))
source_of("R, a log as straight lines between unevenly spaced readings: integrals by pieces")
zz <- c(0, 10, 25, 27, 60, 61, 100); xx <- c(1.74, 1.76, 1.75, 1.79, 1.73, 1.75, 1.77); yy <- c(1.75, 1.74, 1.77, 1.76, 1.75, 1.72, 1.78); dd <- (xx + yy) / 2; h <- diff(zz); fn <- approxfun(zz, dd)
pc <- function(f) sum(sapply(seq_along(h), function(k) integrate(f, zz[k], zz[k + 1], rel.tol = 1e-12)$value)) / 100
i <- paste0("position=", lst(zz), "; x=", lst(xx), "; y=", lst(yy), "; density=1.24"); case("diameter-log", i, "lengthWeightedMean", pc(fn)); case("diameter-log", i, "linearDensity", 1.24 * pi / 4 * pc(function(q) fn(q)^2)); case("diameter-log", i, "mass", 1.24 * pi / 40 * pc(function(q) fn(q)^2))
case("diameter-log", i, "xSd", sd(xx)); case("diameter-log", i, "yMean", mean(yy)); case("diameter-log", i, "quantiles:1", unname(quantile(dd, 0.05)), "6e-5"); case("diameter-log", i, "quantiles:2", median(dd), "6e-5")

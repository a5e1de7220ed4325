source("common.R")
# Two-sided factor by its integral, with R's own quadrature and root finder; one-sided by pt with a noncentrality.
half <- function(x, p) uniroot(function(r) log(pnorm(x - r) + pnorm(-x - r)) - log(1 - p), c(1e-9, x + 39), tol = 1e-15)$root
k2 <- function(n, p, g) {
  nu <- n - 1
  missed <- function(k) 2 * integrate(function(z) sapply(z, function(a) dnorm(a) * pchisq(nu * half(a / sqrt(n), p)^2 / k^2, nu)),
                                      0, 8.5, rel.tol = 1e-12, subdivisions = 1000)$value
  exp(uniroot(function(u) log(max(missed(exp(u)), 1e-300)) - log(1 - g), c(log(0.01), log(1e6)), tol = 1e-14)$root)
}
source_of("R integrate and uniroot on the integral of ISO 16269-6 (two-sided)")
for (n in c(2, 3, 5, 10, 30, 100, 1000)) for (p in c(0.9, 0.95, 0.99, 0.9999)) for (g in c(0.5, 0.95, 0.9999))
  case("tolerance-factor", paste0("n=", n, "; share=", p, "; confidence=", g, "; sides=two"), "value", k2(n, p, g), "r1e-8")
source_of("R qt with a noncentrality (one-sided), where its series is good to seven digits")
for (n in c(3, 5, 10, 30, 100)) for (p in c(0.9, 0.95, 0.99)) for (g in c(0.9, 0.95, 0.99))
  case("tolerance-factor", paste0("n=", n, "; share=", p, "; confidence=", g), "value",
       qt(g, n - 1, ncp = qnorm(p) * sqrt(n)) / sqrt(n), "r1e-6")
source_of("ISO 16269-6, printed tables, two-sided, unknown mean and standard deviation; quoted from memory")
case("tolerance-factor", "n=5; share=0.95; confidence=0.95; sides=two", "value", 5.077, "0.0006")
case("tolerance-factor", "n=10; share=0.95; confidence=0.95; sides=two", "value", 3.393, "0.0006")

# The mean of a staircase: the probit likelihood, its profile over the scatter, and where the profile has fallen far enough.
source("common.R")

bounds <- function(held, failed, confidence) {
  d <- max(diff(sort(unique(c(held, failed)))))
  # In pieces, for one search could stop at a lesser maximum.
  pieces <- log(d * 2^(-1:12))
  profile <- function(mu) max(sapply(seq_len(length(pieces) - 1), function(i) optimize(function(ls) {
    s <- exp(ls)
    sum(pnorm((mu - held) / s, log.p = TRUE)) + sum(pnorm((failed - mu) / s, log.p = TRUE))
  }, pieces[c(i, i + 1)], maximum = TRUE, tol = 1e-10)$objective))
  ends <- range(c(held, failed)) + c(-1, 1) * d
  top <- optimize(profile, ends, maximum = TRUE, tol = 1e-10)
  fall <- 3.1 * qnorm(confidence)^2 / 2
  short <- function(mu) top$objective - profile(mu) - fall
  root <- function(side) {
    far <- top$maximum + side * 4 * d
    while (short(far) < 0) far <- far + side * 4 * d
    uniroot(short, sort(c(top$maximum, far)), tol = 1e-9 * d)$root
  }
  c(value = top$maximum, lower = root(-1), upper = root(1), step = d)
}

say <- function(held, failed, confidence) {
  found <- bounds(held, failed, confidence)
  for (name in c("value", "lower", "upper"))
    case("staircase-mean", paste0("held=", lst(held), "; failed=", lst(failed), "; confidence=", confidence), name,
      unname(found[name]), num(0.002 * unname(found["step"])))
}

source_of("R pnorm and optimize over the scatter, uniroot for where the profile has fallen by 3.1 z²/2")
say(rep(c(1.5, 2), c(6, 4)), rep(c(2, 2.5), c(6, 4)), 0.95)
say(c(400, 400, 450, 400, 350, 400, 450, 400, 400, 350), c(450, 500, 450, 450, 400, 500, 450, 450, 400, 450), 0.95)
say(rep(c(3, 4), c(9, 5)), rep(c(4, 5), c(5, 9)), 0.99)
say(rep(10, 12), rep(12, 10), 0.975)
# Uneven steps: the coarsest is the careful one.
say(rep(c(400, 450), c(9, 3)), rep(c(450, 451, 500), c(4, 3, 3)), 0.95)

source("common.R")
library(spc)
# Debian's r-cran-spc, with so many nodes that its own figures stand still.
source_of("R package spc, xcusum.arl and xewma.arl with 400 nodes and more")
for (h in c(2, 4, 5, 8)) for (mu in c(0, 0.5, 1, 2, 3)) for (sides in c("one", "two"))
  case("average-run-length", paste0("chart=cusum; k=0.5; h=", h, "; shift=", mu, "; sides=", sides), "value",
       xcusum.arl(0.5, h, mu, sided = sides, r = 200), "r1e-6")
for (hs in c(1, 2.5)) for (sides in c("one", "two"))
  case("average-run-length", paste0("chart=cusum; k=0.5; h=5; shift=1; start=", hs, "; sides=", sides), "value",
       xcusum.arl(0.5, 5, 1, hs = hs, sided = sides, r = 200), "r1e-6")
for (l in c(0.05, 0.1, 0.2, 0.5, 1)) for (c in c(2.5, 3)) for (mu in c(0, 0.5, 2))
  case("average-run-length", paste0("chart=ewma; lambda=", l, "; limit=", c, "; shift=", mu), "value",
       xewma.arl(l, c, mu, sided = "two", r = 120), "r1e-6")
case("average-run-length", "chart=ewma; lambda=0.01; limit=2; shift=0", "value", xewma.arl(0.01, 2, 0, sided = "two", r = 300), "r1e-6")
case("average-run-length", "chart=ewma; lambda=0.001; limit=2; shift=0", "value", xewma.arl(0.001, 2, 0, sided = "two", r = 700), "r1e-5")
case("average-run-length", "chart=cusum; k=0; h=100; shift=0; sides=two", "value", xcusum.arl(0, 100, 0, sided = "two", r = 800), "r1e-5")
case("average-run-length", "chart=cusum; k=0.25; h=30; shift=0; sides=two", "value", xcusum.arl(0.25, 30, 0, sided = "two", r = 500), "r1e-4")
source_of("Lucas and Saccucci, Technometrics 32, 1990, table 3; quoted from memory")
case("average-run-length", "chart=ewma; lambda=0.1; limit=2.814; shift=0", "value", 500, "1.5")
source_of("Hawkins 1993 and common textbooks, tabular CUSUM k 0.5, h 4 and 5; quoted from memory")
case("average-run-length", "chart=cusum; k=0.5; h=4; shift=0", "value", 168, "1")
case("average-run-length", "chart=cusum; k=0.5; h=5; shift=0", "value", 465, "1")
source_of("R package spc, xewma.arl with limits that vary as the exact variance does (vacl)")
for (l in c(0.05, 0.1, 0.25, 1)) for (mu in c(0, 0.5, 2))
  case("average-run-length", paste0("chart=ewma; lambda=", l, "; limit=2.7; shift=", mu, "; limits=widening"), "value",
       xewma.arl(l, 2.7, mu, sided = "two", limits = "vacl", r = 120), "r1e-6")
source_of("R package spc, one-sided xewma.arl, reflected at the centre")
for (l in c(0.1, 0.25, 0.6)) for (mu in c(0, 1)) for (hs in c(0, 1))
  case("average-run-length", paste0("chart=ewma; lambda=", l, "; limit=2.5; shift=", mu, "; sides=one; start=", hs), "value",
       xewma.arl(l, 2.5, mu, zr = 0, hs = hs, sided = "one", r = 120), "r1e-6")

# Helpers of the scripts here: lists of numbers and lines of cases, at full precision.
num <- function(x) formatC(x, digits = 15, format = "g", width = 1)
lst <- function(x) paste(num(x), collapse = ",")
source_of <- function(...) cat("# ", ..., "\n", sep = "")
case <- function(calculation, inputs, result, expected, within = "r1e-9")
  cat(calculation, " | ", inputs, " | ", result, " | ", num(expected), " | ", within, "\n", sep = "")

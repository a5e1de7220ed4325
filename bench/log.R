# What a general statistics environment needs for the same file: read, mean, sd, spectrum. Prints milliseconds.
started <- proc.time()[["elapsed"]]
log <- read.csv(commandArgs(trailingOnly = TRUE)[1], check.names = FALSE)
d <- (log[[2]] + log[[3]]) / 2
figures <- c(mean(d), sd(d), mean(abs(log[[2]] - log[[3]])))
amplitude <- Mod(fft(d - mean(d)))
cat(round(1000 * (proc.time()[["elapsed"]] - started)), "\n")

# Converts the table Mushroom of Debian's package r-cran-cba into the compact
# test data of evidence/testdata/mushroom. Run: Rscript scripts/mushroom.R DIR
# (apt-get install r-cran-cba). Source of the table: J. Schlimmer, 1987, UCI
# Machine Learning Repository, doi 10.24432/C5959T.
args <- commandArgs(trailingOnly = TRUE)
dir <- if (length(args) > 0) args[1] else "evidence/testdata/mushroom"
data(Mushroom, package = "cba")
stopifnot(nrow(Mushroom) == 8124, ncol(Mushroom) == 23)
names(Mushroom) <- gsub("[?]", "", names(Mushroom))
con <- file(file.path(dir, "states.txt"), "w")
for (n in names(Mushroom)) writeLines(paste(c(n, gsub(" ", "-", levels(Mushroom[[n]]))), collapse = " "), con)
close(con)
# One letter a value, a for the first level; a dot where the value is missing.
code <- sapply(Mushroom, function(f) ifelse(is.na(f), ".", letters[as.integer(f)]))
con <- gzfile(file.path(dir, "rows.txt.gz"), "wb", compression = 9)
writeLines(apply(code, 1, paste, collapse = ""), con)
close(con)

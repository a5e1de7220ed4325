# Times ./ysometron demo from the command to the ready line, with everything built and the demo loaded; sourced by
# ./ysometron bench start. The site is one of its own, so that a running demo is left alone.
runs=${1:-5}
export YSOMETRON_HOME=$HOME_DIR/bench-start
mkdir -p "$YSOMETRON_HOME"
YSOMETRON_DETACH=1 "$ROOT/ysometron" demo >/dev/null
"$ROOT/ysometron" stop >/dev/null
times=()
for ((run = 0; run < runs; run++)); do
  begun=$(date +%s%N)
  YSOMETRON_DETACH=1 "$ROOT/ysometron" demo >/dev/null
  times+=($((($(date +%s%N) - begun) / 1000000)))
  "$ROOT/ysometron" stop >/dev/null
done
mapfile -t sorted < <(printf '%s\n' "${times[@]}" | sort -n)
printf 'start_warm_median %s ms\n' "${sorted[$((runs / 2))]}"
printf 'start_warm_worst %s ms\n' "${sorted[$((runs - 1))]}"

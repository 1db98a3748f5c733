/* Reads 32-bit floats of a stereo sound at 48 kHz from its input and prints what libebur128 calls its integrated loudness, in LUFS. */
#include <ebur128.h>
#include <stdio.h>

int main(void) {
  ebur128_state *state = ebur128_init(2, 48000, EBUR128_MODE_I);
  float frames[2 * 4800];
  size_t count;
  double loudness;
  while ((count = fread(frames, 2 * sizeof(float), 4800, stdin)) > 0)
    ebur128_add_frames_float(state, frames, count);
  ebur128_loudness_global(state, &loudness);
  ebur128_destroy(&state);
  printf("%.6f\n", loudness);
  return 0;
}

/* How many px of two pictures of one size differ by more than 24 of 255 in a channel, in percent. */
#include <stb_image.h>
#include <stdio.h>
#include <stdlib.h>

int main(int count, char **arguments) {
  int w, h, w2, h2, n, i, c, other = 0;
  unsigned char *a, *b;
  if (count != 3) return 2;
  a = stbi_load(arguments[1], &w, &h, &n, 3);
  b = stbi_load(arguments[2], &w2, &h2, &n, 3);
  if (!a || !b || w != w2 || h != h2) {
    fprintf(stderr, "two pictures of one size are wanted\n");
    return 2;
  }
  for (i = 0; i < w * h; ++i) {
    int most = 0;
    for (c = 0; c < 3; ++c)
      if (abs(a[3 * i + c] - b[3 * i + c]) > most) most = abs(a[3 * i + c] - b[3 * i + c]);
    other += most > 24;
  }
  printf("%.3f\n", 100.0 * other / (w * h));
  stbi_image_free(a);
  stbi_image_free(b);
  return 0;
}

/*
 * Plays a take through the library, from C, and prints the trace as `bristle rehearse` does:
 *   play_take MENU TAKE [DISPLAY [LANGUAGE]]
 */
#include <bristle.h>
#include <stdio.h>
#include <stdlib.h>

#include "take.h"

static void tell(bristle_run *run) {
  bristle_happening what;
  size_t i;
  what.size = sizeof what;
  for (i = 0; !bristle_happened_at(run, i, &what); ++i)
    printf("%lld\t%s\n", (long long)what.at, what.line);
  bristle_happened_clear(run);
}

int main(int count, char **arguments) {
  size_t size;
  int failed = 0;
  char *bytes, *take, *line, *next, why[300];
  char display[128] = "", language[128] = "", screen[128] = "";
  bristle_menu *menu = NULL;
  bristle_run *run = NULL;
  if (bristle_abi() != BRISTLE_ABI || count < 3) return 2;
  bytes = read_all(arguments[1], &size);
  if (!bytes || bristle_open(bytes, size, &menu, why, sizeof why)) {
    fprintf(stderr, "%s\n", bytes ? why : "cannot be read");
    return 2;
  }
  free(bytes);
  take = read_all(arguments[2], &size);
  if (!take) return 2;
  for (next = take; (line = take_line(&next));) {
    if (!run) {
      take_text(line, "display", display, sizeof display);
      take_text(line, "language", language, sizeof language);
      take_text(line, "screen", screen, sizeof screen);
      if (bristle_start(menu, count > 3 ? arguments[3] : display,
                        count > 4 ? arguments[4] : language, screen, &run, why, sizeof why)) {
        fprintf(stderr, "%s\n", why);
        return 2;
      }
    } else if (*line && !take_step(run, line, tell)) {
      fprintf(stderr, "cannot be done: %s\n", line);
      failed = 1;
      break;
    }
  }
  tell(run);
  bristle_stop(run);
  bristle_close(menu);
  free(take);
  return failed;
}

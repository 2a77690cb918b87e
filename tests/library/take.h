/* Feeds takes to a run of the library, line by line. It knows no JSON but the lines that Bristle
 * writes: members in double quotes, nothing nested. */
#ifndef TAKE_H
#define TAKE_H
#include <bristle.h>

/* All of a file, with a zero behind it; null where it cannot be read. To be freed. */
char *read_all(const char *path, size_t *size);
/* A member that is a text; 0 where the line has none. */
int take_text(const char *line, const char *key, char *out, size_t size);
/* What a line does, and all that is due before it; 0 where it cannot be done. `tell` is called
 * after each step of it. */
int take_step(bristle_run *run, const char *line, void (*tell)(bristle_run *));
/* Cuts the next line off; null at the end. */
char *take_line(char **rest);

#endif

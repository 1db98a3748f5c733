/*
 * A disk that forgets: what was written and not yet synced is gone when the power goes. Loaded before the C library; of every file below
 * DISK_ROOT it keeps in DISK_SHADOW what a sync brought to the disk, and nothing else. Renames and removals count once their directory
 * is synced. When the process is killed, DISK_SHADOW is what the disk holds.
 */
#define _GNU_SOURCE
#include <dirent.h>
#include <dlfcn.h>
#include <fcntl.h>
#include <limits.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <sys/stat.h>
#include <unistd.h>

#define MOST 256
static char renamed[MOST][2][NAME_MAX + 1];
static int renames = 0;

/* The path of a handle below DISK_ROOT, relative to it; NULL where it lies elsewhere. "" is the root itself. */
static const char *inside(const char *path) {
  const char *root = getenv("DISK_ROOT");
  size_t length = root ? strlen(root) : 0;
  if (!root || strncmp(path, root, length) != 0) return NULL;
  if (path[length] == 0) return "";
  return path[length] == '/' ? path + length + 1 : NULL;
}

static int path_of(int handle, char *path) {
  char link[64];
  snprintf(link, sizeof link, "/proc/self/fd/%d", handle);
  ssize_t length = readlink(link, path, PATH_MAX - 1);
  if (length < 0) return 0;
  path[length] = 0;
  return 1;
}

static void keep_file(const char *path, const char *name) {
  char part[PATH_MAX], kept[PATH_MAX], block[65536];
  snprintf(part, sizeof part, "%s/.part", getenv("DISK_SHADOW"));
  snprintf(kept, sizeof kept, "%s/%s", getenv("DISK_SHADOW"), name);
  int from = open(path, O_RDONLY), to = open(part, O_WRONLY | O_CREAT | O_TRUNC, 0600);
  if (from < 0 || to < 0) return;
  for (ssize_t got; (got = read(from, block, sizeof block)) > 0;)
    if (write(to, block, got) != got) abort();
  close(from);
  close(to);
  /* in one step: a kill while it is copied leaves the one before */
  int (*really)(const char *, const char *) = dlsym(RTLD_NEXT, "rename");
  really(part, kept);
}

static void keep_directory(const char *path) {
  char from[PATH_MAX], to[PATH_MAX];
  const char *shadow = getenv("DISK_SHADOW");
  int (*really)(const char *, const char *) = dlsym(RTLD_NEXT, "rename");
  for (int i = 0; i < renames; i++) {
    snprintf(from, sizeof from, "%s/%s", shadow, renamed[i][0]);
    snprintf(to, sizeof to, "%s/%s", shadow, renamed[i][1]);
    really(from, to);
  }
  renames = 0;
  DIR *names = opendir(shadow);
  for (struct dirent *one; names && (one = readdir(names));) {
    if (one->d_name[0] == '.') continue;
    snprintf(from, sizeof from, "%s/%s", path, one->d_name);
    snprintf(to, sizeof to, "%s/%s", shadow, one->d_name);
    if (access(from, F_OK) != 0) unlink(to);
  }
  if (names) closedir(names);
}

static void keep(int handle) {
  char path[PATH_MAX];
  struct stat what;
  if (!path_of(handle, path) || fstat(handle, &what) != 0) return;
  const char *name = inside(path);
  if (!name) return;
  if (S_ISDIR(what.st_mode)) keep_directory(path);
  else keep_file(path, name);
}

int fsync(int handle) {
  int (*really)(int) = dlsym(RTLD_NEXT, "fsync");
  int answer = really(handle);
  keep(handle);
  return answer;
}

int fdatasync(int handle) {
  int (*really)(int) = dlsym(RTLD_NEXT, "fdatasync");
  int answer = really(handle);
  keep(handle);
  return answer;
}

int rename(const char *from, const char *to) {
  int (*really)(const char *, const char *) = dlsym(RTLD_NEXT, "rename");
  const char *a = inside(from), *b = inside(to);
  if (a && b && renames < MOST) {
    snprintf(renamed[renames][0], NAME_MAX + 1, "%s", a);
    snprintf(renamed[renames++][1], NAME_MAX + 1, "%s", b);
  }
  return really(from, to);
}

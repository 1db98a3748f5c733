/* Reads an iCalendar file with libical and prints every error and broken restriction; exits 0 when there is none. */
#include <libical/ical.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>

static int faults(icalcomponent *component) {
  int count = 0;
  icalcomponent *child;
  icalproperty *property;
  for (property = icalcomponent_get_first_property(component, ICAL_ANY_PROPERTY); property;
       property = icalcomponent_get_next_property(component, ICAL_ANY_PROPERTY)) {
    if (icalproperty_isa(property) == ICAL_XLICERROR_PROPERTY) {
      printf("%s", icalproperty_as_ical_string(property));
      count++;
    }
  }
  for (child = icalcomponent_get_first_component(component, ICAL_ANY_COMPONENT); child;
       child = icalcomponent_get_next_component(component, ICAL_ANY_COMPONENT))
    count += faults(child);
  return count;
}

int main(int argc, char **argv) {
  FILE *file = argc > 1 ? fopen(argv[1], "rb") : NULL;
  char *text;
  long size;
  icalcomponent *root;
  int count, events;
  if (!file) return 2;
  fseek(file, 0, SEEK_END);
  size = ftell(file);
  rewind(file);
  text = calloc((size_t)size + 1, 1);
  if (!text || fread(text, 1, (size_t)size, file) != (size_t)size) return 2;
  root = icalparser_parse_string(text);
  if (!root) return 2;
  icalrestriction_check(root);
  count = faults(root);
  events = icalcomponent_count_components(root, ICAL_VEVENT_COMPONENT);
  printf("%d events\n", events);
  return count > 0 || events == 0;
}

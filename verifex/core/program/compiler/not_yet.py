"""Names that the dialect and C's own library have and that are not supported yet: reported as such, never as the pair's mistake."""

import re

_DIALECT = """
Wire SPI EEPROM SPISettings Serial1 Serial2 Serial3 Keyboard Mouse analogReadResolution analogWriteResolution dacWrite
touchRead ledcSetup ledcAttachPin ledcAttach ledcWrite ledcWriteTone WiFi serialEvent ESP esp_sleep_enable_timer_wakeup
"""
_OF_C = """
malloc calloc realloc exit abort atexit bsearch div ldiv strtod strdup strndup strpbrk strsep strlcpy strlcat strrev strupr
strlwr memchr memccpy sscanf scanf printf puts putchar getchar fprintf fputs vsprintf vsnprintf asprintf dtostre modf frexp lrint lrintf
rint rintf nearbyint remainder exp2 fma time mktime localtime gmtime difftime clock setjmp longjmp assert va_start va_end va_arg
"""
_OF_PROGRAM_MEMORY = """
pgm_read_ptr pgm_read_byte_far pgm_read_word_far pgm_read_dword_far strchr_P strrchr_P strcasecmp_P strncasecmp_P printf_P
"""
#: Names a compiler makes itself.
_MADE = "__func__ __FUNCTION__ __PRETTY_FUNCTION__ __COUNTER__"
NOT_SUPPORTED_YET = frozenset(f"{_DIALECT}{_OF_C}{_OF_PROGRAM_MEMORY}{_MADE}".split())
#: The small boards' own registers and what goes with them.
REGISTERS = re.compile(
    r"(PORT|DDR|PIN)[A-L]|TCCR\d[AB]|OCR\d[AB]|TCNT\d|TIMSK\d|TIFR\d|ICR\d|ADMUX|ADCSR[AB]|ADC[HL]?|PCICR|PCMSK\d|EICRA|EIMSK|"
    r"SREG|SMCR|WDTCSR|UCSR\d[ABC]|UDR\d|_delay_[mu]s|sleep_\w+|set_sleep_mode"
)

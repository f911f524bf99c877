import '@bogen/core/mathematics';

import { configure } from '@testing-library/react';

// What is waited for comes when it comes: a busy machine is no fault.
configure({ asyncUtilTimeout: 15_000 });

import { configure } from '@testing-library/react'

// A loaded machine answers late; what never comes is found all the same.
configure({ asyncUtilTimeout: 15_000 })

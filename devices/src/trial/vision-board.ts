// The same general vision library's own markers and camera: an oracle for what is found of the measuring board.
import type { PhotoPoint } from '@peen/core/measure'
import { cv, keeping } from './vision'

type Rgba = { readonly width: number; readonly height: number; readonly rgba: Uint8ClampedArray | Uint8Array }

/** Markers of the dictionary by the library's detector, corners to parts of a pixel. */
export function visionMarkers({ width, height, rgba }: Rgba): ReadonlyMap<number, readonly PhotoPoint[]> {
  return keeping((own) => {
    const picture = own(cv.matFromImageData({ data: rgba, width, height }))
    const grey = own(new cv.Mat())
    cv.cvtColor(picture, grey, cv.COLOR_RGBA2GRAY)
    const dictionary = own(cv.getPredefinedDictionary(cv.DICT_ARUCO_MIP_36h12))
    const parameters = own(new cv.aruco_DetectorParameters())
    parameters.cornerRefinementMethod = 1
    const detector = own(new cv.aruco_ArucoDetector(dictionary, parameters, own(new cv.aruco_RefineParameters(10, 3, true))))
    const [corners, ids, rejected] = [own(new cv.MatVector()), own(new cv.Mat()), own(new cv.MatVector())]
    detector.detectMarkers(grey, corners, ids, rejected)
    const found = new Map<number, readonly PhotoPoint[]>()
    for (let i = 0; i < ids.rows; i++) {
      const four = own(corners.get(i)).data32F as Float32Array
      // the library has the middle of the first pixel at 0
      found.set(
        ids.intAt(i, 0) as number,
        [0, 1, 2, 3].map((k): PhotoPoint => [four[2 * k]! + 0.5, four[2 * k + 1]! + 0.5])
      )
    }
    return found
  })
}

/** How a camera of known focal length looks at places of a plane, by the library: its axes of the plane as the camera has them, and the middle. */
export function visionPose(
  mm: readonly PhotoPoint[],
  px: readonly PhotoPoint[],
  focalPx: number,
  [cx, cy]: PhotoPoint
): { readonly rotation: readonly number[]; readonly middle: readonly number[] } {
  return keeping((own) => {
    const object = own(
      cv.matFromArray(
        mm.length,
        3,
        cv.CV_64F,
        mm.flatMap(([x, y]) => [x, y, 0])
      )
    )
    const image = own(cv.matFromArray(px.length, 2, cv.CV_64F, px.flat()))
    const camera = own(cv.matFromArray(3, 3, cv.CV_64F, [focalPx, 0, cx, 0, focalPx, cy, 0, 0, 1]))
    const [straight, turn, to, rotation] = [own(cv.Mat.zeros(4, 1, cv.CV_64F)), own(new cv.Mat()), own(new cv.Mat()), own(new cv.Mat())]
    cv.solvePnP(object, image, camera, straight, turn, to, false, cv.SOLVEPNP_ITERATIVE)
    cv.Rodrigues(turn, rotation)
    return { rotation: [...(rotation.data64F as Float64Array)], middle: [...(to.data64F as Float64Array)] }
  })
}

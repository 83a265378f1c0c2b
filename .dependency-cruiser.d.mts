import type { IForbiddenRuleType } from 'dependency-cruiser'

declare const config: {
  forbidden: IForbiddenRuleType[]
  options: { exclude: { path: string }; enhancedResolveOptions: { extensions: string[] } }
}
export default config
